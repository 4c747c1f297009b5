'use client';

import { useState } from 'react';
import type { Train } from '@/core/train';
import { gearName, listed } from '@/core/words';
import { documents } from '@/features/train/documents';
import { editTrain } from '@/features/train/edit';
import { useTrain, useTrainStore } from '@/features/train/use-train';
import { useChart } from '../../use-chart';
import { itemAt } from '@/core/required';

/** Counts tried on the other side without saving; where that is this train, they can be kept. */
export function WhatIf({ theirs }: { theirs: Train }) {
  const store = useTrainStore();
  const own = useTrain((state) => state.train);
  const against = useChart((state) => state.against);
  const whatIf = useChart((state) => state.whatIf);
  const set = useChart((state) => state.set);
  const [shown, setShown] = useState(against.kind === 'itself');
  const base = against.kind === 'itself' ? own : against.train;
  const changed = base.gears.filter((gear) => (whatIf[gear.id] ?? gear.teeth) !== gear.teeth);
  const keep = async () => {
    const { checkTrain } = await documents();
    const checked = checkTrain(theirs);
    if (!checked.ok) return store.getState().say(itemAt(checked.problems, 0).message);
    editTrain(store, checked.train);
    set({ whatIf: {} });
  };
  return (
    <details className="mt-2 text-sm" open={shown} onToggle={(event) => setShown(event.currentTarget.open)}>
      <summary className="cursor-pointer">
        What if <span className="muted">the tooth counts were different; nothing is saved</span>
      </summary>
      <ul className="mt-1 grid max-h-44 grid-cols-[repeat(auto-fill,minmax(15rem,1fr))] gap-x-5 gap-y-0.5 overflow-auto">
        {base.gears.map((gear) => (
          <li key={gear.id}>
            <label className="flex items-center justify-between gap-2">
              <span className="min-w-0 truncate" title={gearName(base, gear)}>
                {gearName(base, gear)}
              </span>
              <TeethField
                name={gearName(base, gear)}
                teeth={whatIf[gear.id] ?? gear.teeth}
                onChange={(teeth) => set({ whatIf: { ...whatIf, [gear.id]: teeth } })}
              />
            </label>
          </li>
        ))}
      </ul>
      {changed.length > 0 && (
        <p className="mt-1 flex flex-wrap items-center gap-2">
          <span>{listed(changed.map((gear) => `${gearName(base, gear)} with ${whatIf[gear.id]}`))}</span>
          {against.kind === 'itself' && (
            <button type="button" className="btn btn-neutral btn-xs" onClick={() => void keep()}>
              Keep in this train
            </button>
          )}
          <button type="button" className="btn btn-xs" onClick={() => set({ whatIf: {} })}>
            Drop
          </button>
        </p>
      )}
    </details>
  );
}

/** A count that is tried; what is no count is marked and not tried. */
function TeethField({ name, teeth, onChange }: { name: string; teeth: number; onChange: (teeth: number) => void }) {
  const [typed, setTyped] = useState<string | null>(null);
  const read = (text: string) =>
    /^\d{1,6}$/.test(text.trim()) && Number(text) >= 1 && Number(text) <= 100_000 ? Number(text) : null;
  return (
    <input
      className="input input-xs figure w-16 text-right aria-invalid:border-error"
      aria-label={`Teeth to try on ${name}`}
      aria-invalid={typed !== null && read(typed) === null}
      inputMode="numeric"
      value={typed ?? teeth}
      onChange={(event) => {
        setTyped(event.target.value);
        const count = read(event.target.value);
        if (count !== null) onChange(count);
      }}
      onBlur={() => setTyped(null)}
    />
  );
}
