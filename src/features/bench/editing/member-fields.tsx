'use client';

import { useState } from 'react';
import {
  addChain,
  addCoupler,
  addGearOn,
  changeMember,
  FRAME,
  joinMembers,
  setInput,
  toggleOutput,
  type PartRef,
  partsById,
} from '@/core/train';
import { memberName } from '@/core/words';
import { useTrain } from '@/features/train/use-train';
import { memberColor } from '@/figures/member-colors';
import { figureOrNothing, TextField } from '@/ui/text-field';
import { Add } from './add';
import { AddSet } from './add-set';
import { CopyButton } from './copy-button';
import { RemovePart } from './remove-part';
import { AskFirst } from './ask-first';
import { useEdit, type Say } from './use-edit';
import { usePartWords } from '@/ui/part-words';

/** A member's name, colour and task, and what can join it to others. */
export function MemberFields({ id, say }: { id: string; say: Say }) {
  const train = useTrain((state) => state.train);
  const told = usePartWords();
  const edit = useEdit(say);
  const member = partsById(train).member(id);
  const others = train.members.filter((other) => other.id !== id && other.carrier === undefined);
  const [with_, setWith] = useState(FRAME);
  const planet = member.carrier !== undefined;
  const here: PartRef = { kind: 'member', id };
  return (
    <>
      <TextField
        label="Name"
        value={member.name}
        onDone={(text) => edit(changeMember(train, id, { name: text.trim() }))}
      />
      <label className="flex items-center justify-between gap-2">
        <span className="muted">Colour</span>
        <input
          type="color"
          className="h-7 w-32 cursor-pointer"
          value={member.color ?? plainColor(memberColor(train, id))}
          onChange={(event) => edit(changeMember(train, id, { color: event.target.value }))}
        />
      </label>
      <TextField
        label="Allowed torque"
        unit="N·m"
        numeric
        value={member.limit === undefined ? '' : String(member.limit)}
        onDone={(text) => edit(changeMember(train, id, { limit: figureOrNothing(text, 'N·m') }))}
      />
      {!planet && (
        <TextField
          label="Bearings at"
          unit="mm"
          value={member.bearings?.join(' and ') ?? ''}
          placeholder="0 and 40"
          onDone={(text) => {
            if (text.trim() === '') return edit(changeMember(train, id, { bearings: undefined }));
            const [first, second, ...more] = text.split(/\band\b|[,;]/).map((one) => figureOrNothing(one, 'mm'));
            if (first === undefined || second === undefined || more.length > 0)
              return say('Type two places along the axis, in mm: 0 and 40.');
            edit(changeMember(train, id, { bearings: [first, second] }));
          }}
        />
      )}
      {planet ? (
        <TextField
          label="Equal planets"
          numeric
          value={String(member.copies ?? '')}
          onDone={(text) => edit(changeMember(train, id, { copies: figureOrNothing(text) }))}
        />
      ) : (
        <>
          <label className="flex items-center justify-between gap-2">
            <span className="muted">Input</span>
            <input
              type="radio"
              className="radio radio-xs"
              checked={train.input === id}
              onChange={() => edit(setInput(train, id))}
            />
          </label>
          <label className="flex items-center justify-between gap-2">
            <span className="muted">Output</span>
            <input
              type="checkbox"
              className="checkbox checkbox-xs"
              checked={train.outputs.includes(id)}
              onChange={() => edit(toggleOutput(train, id))}
            />
          </label>
          <div className="flex flex-col gap-1.5 border-t border-base-300 pt-2">
            <label className="flex items-center justify-between gap-2">
              <span className="muted">Couple with</span>
              <select className="select select-sm w-40" value={with_} onChange={(event) => setWith(event.target.value)}>
                <option value={FRAME}>the frame</option>
                {others.map((other) => (
                  <option key={other.id} value={other.id}>
                    {memberName(train, other.id)}
                  </option>
                ))}
              </select>
            </label>
            <div className="flex flex-wrap gap-1.5">
              <Add
                label={with_ === FRAME ? 'Brake' : 'Clutch'}
                onAdd={() => edit(addCoupler(train, 'clutch', id, with_), here)}
              />
              <Add
                label={told('One-way clutch')}
                onAdd={() =>
                  edit(addCoupler(train, 'one-way', with_ === FRAME ? FRAME : id, with_ === FRAME ? id : with_), here)
                }
              />
              {with_ !== FRAME && (
                <AskFirst label="Fix together" make={() => joinMembers(train, id, with_)} say={say} />
              )}
            </div>
          </div>
        </>
      )}
      <div role="group" aria-label="Add" className="flex flex-wrap gap-1.5 border-t border-base-300 pt-2">
        <Add label="Gear" onAdd={() => edit(addGearOn(train, id, 30))} />
        {!planet && <AddSet member={id} say={say} />}
        {!planet && <Add label="Chain" onAdd={() => edit(addChain(train, id, 18, 36))} />}
      </div>
      <div className="flex flex-wrap items-center justify-between gap-1.5 border-t border-base-300 pt-2">
        <CopyButton part={here} />
        <RemovePart part={here} say={say} />
      </div>
    </>
  );
}

/** A colour field wants a plain colour: what the palette's name stands for now. */
function plainColor(color: string): string {
  const name = /^var\((--[\w-]+)\)$/.exec(color)?.[1];
  return name && typeof document !== 'undefined'
    ? getComputedStyle(document.documentElement).getPropertyValue(name).trim()
    : color;
}
