'use client';

import { COUPLER_STYLES, changeCoupler, FRAME, reverseOneWay, type Coupler } from '@/core/train';
import { memberName } from '@/core/words';
import { toggleCoupler } from '@/features/train/choosing';
import { useExplained } from '@/features/train/use-explained';
import { useTrain, useTrainStore } from '@/features/train/use-train';
import { decidesForItself } from '@/features/train/words';
import { figureOrNothing, TextField } from '@/ui/text-field';
import { CouplerEnds } from './coupler-ends';
import { ChoiceField, plainChoices } from './choice-field';
import { CopyButton } from './copy-button';
import { RemovePart } from './remove-part';
import { useEdit, type Say } from './use-edit';

/** A coupler's name, type, ends, style and capacity. */
export function CouplerFields({ coupler, say }: { coupler: Coupler; say: Say }) {
  const store = useTrainStore();
  const train = useTrain((state) => state.train);
  const { solved } = useExplained();
  const edit = useEdit(say);
  const on = solved.engaged.has(coupler.id);
  return (
    <>
      <TextField
        label="Name"
        value={coupler.name}
        onDone={(text) => edit(changeCoupler(train, coupler.id, { name: text.trim() }))}
      />
      {'joins' in coupler && <CouplerEnds coupler={coupler} say={say} />}
      <ChoiceField
        label="Style"
        autoFocus
        value={coupler.style ?? 'friction'}
        choices={plainChoices(COUPLER_STYLES)}
        onChoose={(style) => edit(changeCoupler(train, coupler.id, { style }))}
      />
      <TextField
        label="Capacity"
        unit="N·m"
        numeric
        value={coupler.capacity === undefined ? '' : String(coupler.capacity)}
        onDone={(text) => edit(changeCoupler(train, coupler.id, { capacity: figureOrNothing(text, 'N·m') }))}
      />
      <TextField
        label="Radius of its dogs"
        unit="mm"
        numeric
        value={coupler.radius === undefined ? '' : String(coupler.radius)}
        onDone={(text) => edit(changeCoupler(train, coupler.id, { radius: figureOrNothing(text, 'mm') }))}
      />
      {coupler.type === 'one-way' && (
        <>
          <ChoiceField
            label="Works"
            value={coupler.control ?? 'always'}
            choices={{ always: 'always', selectable: 'when it is engaged' }}
            onChoose={(control) => edit(changeCoupler(train, coupler.id, { control }))}
          />
          <p>
            {memberName(train, coupler.joins[0])} {coupler.joins[0] === FRAME ? 'keeps' : 'pushes'}{' '}
            {memberName(train, coupler.joins[1])} {coupler.joins[0] === FRAME ? 'from turning backward' : 'forward'}.{' '}
            <button type="button" className="btn btn-xs" onClick={() => edit(reverseOneWay(train, coupler.id))}>
              Reverse it
            </button>
          </p>
        </>
      )}
      <div className="flex items-center justify-between gap-1.5 border-t border-base-300 pt-2">
        {decidesForItself(coupler) ? (
          <span className="muted">Holds or overruns by itself.</span>
        ) : (
          <button type="button" className="btn btn-xs" onClick={() => toggleCoupler(store, coupler.id)}>
            {on ? 'Release' : 'Engage'}
          </button>
        )}
        <CopyButton part={{ kind: 'coupler', id: coupler.id }} />
        <RemovePart part={{ kind: 'coupler', id: coupler.id }} say={say} />
      </div>
    </>
  );
}
