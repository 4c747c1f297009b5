'use client';

import { changeCoupler, removePart, type Coupler } from '@/core/train';
import { toggleCoupler, useBench, useBenchStore } from '../store';
import { usePosition } from '../use-position';
import { decidesForItself } from '../words';
import { GoesAlong } from './goes-along';
import { numberOrNothing, TextField } from './text-field';
import { useEdit, type Say } from './use-edit';

const STYLES = ['friction', 'dog', 'synchro', 'band', 'pawl', 'roller', 'pin'] as const;

/** A coupler's name, style and capacity. */
export function CouplerFields({ coupler, say }: { coupler: Coupler; say: Say }) {
  const store = useBenchStore();
  const train = useBench((state) => state.train);
  const { solved } = usePosition();
  const edit = useEdit(say);
  const on = solved.engaged.has(coupler.id);
  return (
    <>
      <TextField label="Name" value={coupler.name} onDone={(text) => edit(changeCoupler(train, coupler.id, { name: text.trim() }))} />
      <label className="flex items-center justify-between gap-2">
        <span className="muted">Style</span>
        <select className="select select-sm w-32" autoFocus value={coupler.style ?? 'friction'} onChange={(event) => edit(changeCoupler(train, coupler.id, { style: event.target.value as (typeof STYLES)[number] }))}>
          {STYLES.map((style) => (
            <option key={style}>{style}</option>
          ))}
        </select>
      </label>
      <TextField label="Capacity" unit="N·m" numeric value={coupler.capacity === undefined ? '' : String(coupler.capacity)} onDone={(text) => edit(changeCoupler(train, coupler.id, { capacity: numberOrNothing(text) }))} />
      <div className="flex items-center justify-between gap-1.5 border-t border-base-300 pt-2">
        {decidesForItself(coupler) ? (
          <span className="muted">It decides for itself.</span>
        ) : (
          <button type="button" className="btn btn-xs" onClick={() => toggleCoupler(store, coupler.id)}>
            {on ? 'Release' : 'Engage'}
          </button>
        )}
        <GoesAlong part={{ kind: 'coupler', id: coupler.id }} onRemove={() => edit(removePart(train, { kind: 'coupler', id: coupler.id }), null)} />
      </div>
    </>
  );
}
