'use client';

import { useState } from 'react';
import { whatGoes, type PartRef, type Train } from '@/core/train';
import { useBench } from '../store';
import { couplerName, listed, memberName } from '../words';

/** Removes a part, after saying what else goes with it where anything does. */
export function GoesAlong({ part, onRemove }: { part: PartRef; onRemove: () => void }) {
  const train = useBench((state) => state.train);
  const [asked, setAsked] = useState(false);
  const along = alongWith(train, part);
  if (!asked) {
    return (
      <button type="button" className="btn btn-ghost btn-xs text-error" onClick={() => (along.length === 0 ? onRemove() : setAsked(true))}>
        Remove
      </button>
    );
  }
  return (
    <div className="w-full">
      <p>With it {along.length === 1 ? 'goes' : 'go'} {listed(along)}. It can be undone.</p>
      <div className="mt-1 flex gap-2">
        <button type="button" className="btn btn-error btn-xs" autoFocus onClick={onRemove}>
          Remove all of it
        </button>
        <button type="button" className="btn btn-ghost btn-xs" onClick={() => setAsked(false)}>
          Keep it
        </button>
      </div>
    </div>
  );
}

function alongWith(train: Train, part: PartRef): string[] {
  const { gears, members, meshes, couplers } = whatGoes(train, part);
  const others = (ids: readonly string[], kind: PartRef['kind']) => ids.filter((id) => kind !== part.kind || id !== part.id);
  return [
    ...others(members, 'member').map((id) => memberName(train, id)),
    ...others(gears, 'gear').map((id) => `gear ${train.gears.find((gear) => gear.id === id)!.teeth}`),
    ...(meshes.length > 0 ? [meshes.length === 1 ? 'its mesh' : `${meshes.length} meshes`] : []),
    ...others(couplers, 'coupler').map((id) => couplerName(train, id)),
  ];
}
