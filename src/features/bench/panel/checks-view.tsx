'use client';

import clsx from 'clsx';
import { CircleAlert, Info } from 'lucide-react';
import { useMemo, useState } from 'react';
import { fixEffects, type Change, type Finding, type FindingFix } from '@/core/checks';
import { setAside, reopenFinding, partsById } from '@/core/train';
import { ratioFigure } from '@/core/units';
import { memberName } from '@/core/words';
import { choosePosition } from '@/features/train/choosing';
import { engagementIn } from '@/features/train/engagement';
import { useTrain, useLight, useNotice, useTrainStore } from '@/features/train/use-train';
import { STATUS_WORDS } from '@/features/train/words';
import { usePreferences } from '@/ui/preferences';
import { useEdit } from '../editing/use-edit';
import { useCard } from '../use-bench';
import { useFindings } from './findings';
import { TimingMarks } from './timing-marks';
import { itemAt } from '@/core/required';
import { useTrainWords } from '@/features/train/use-train-words';

/**
 * What is wrong with the train or worth knowing: what, why it matters, what would mend it. Pointing lights the parts.
 */
export function ChecksView() {
  const train = useTrain((state) => state.train);
  const { open, aside } = useFindings(train);
  const { positionId, engaged } = useTrain(engagementIn);
  const effects = useMemo(
    () => (train.positions.length > MAX_POSITIONS ? null : fixEffects(train, positionId === null ? engaged : null)),
    [train, positionId, engaged],
  );
  return (
    <>
      {open.length === 0 ? (
        <p className="mt-2.5">
          Nothing {aside.length > 0 ? 'else ' : ''}was found: counts, distances, planets and positions agree.
        </p>
      ) : (
        <ul className="mt-2.5 flex flex-col" aria-label="Checks">
          {open.map((found) => (
            <CheckLine key={found.key} found={found} effects={effects} />
          ))}
        </ul>
      )}
      {aside.length > 0 && (
        <section aria-label="Set aside" className="mt-4">
          <h3 className="text-sm font-semibold">Set aside</h3>
          <ul className="flex flex-col">
            {aside.map(({ found, note }) => (
              <AsideLine key={found.key} found={found} note={note} />
            ))}
          </ul>
        </section>
      )}
    </>
  );
}

function usePointing({ gears, members, couplers }: Finding) {
  const light = useLight();
  const [on, off] = [() => light({ gears, members, couplers }), () => light(null)];
  return { onPointerEnter: on, onPointerLeave: off, onFocus: on, onBlur: off };
}

type Effects = ReturnType<typeof fixEffects> | null;

function CheckLine({ found, effects }: { found: Finding; effects: Effects }) {
  const { weight, what, why, mend, mends, marks, gears, positions } = found;
  const store = useTrainStore();
  const train = useTrain((state) => state.train);
  const openCard = useCard();
  const [message, setMessage] = useState<string | null>(null);
  const [asking, setAsking] = useState(false);
  const edit = useEdit(setMessage);
  const told = useTrainWords();
  const Icon = weight === 'wrong' ? CircleAlert : Info;
  return (
    <li
      tabIndex={0}
      className="flex gap-2.5 border-t border-base-300 py-1.5 leading-snug hover:bg-base-200 focus-visible:bg-base-200"
      {...usePointing(found)}
    >
      <Icon
        className={clsx('mt-0.5 size-4 shrink-0', weight === 'wrong' ? 'text-error' : 'muted')}
        aria-label={weight === 'wrong' ? 'Wrong' : 'Worth knowing'}
      />
      <div className="min-w-0 flex-1 text-sm">
        <p className="font-semibold">{told(what)}</p>
        <p>{told(why)}</p>
        <p className="muted">{told(mend)}</p>
        {marks.length > 0 && <TimingMarks marks={marks} />}
        <div className="mt-1 flex flex-wrap gap-1.5">
          {mends.map((one) => (
            <button
              key={one.label}
              type="button"
              className="btn btn-xs h-auto max-w-full shrink py-0.5 text-left whitespace-normal"
              title="Apply this fix"
              onClick={() => edit(one.apply(train))}
            >
              {told(one.label)}
              {effects && <MendEffect mend={one} effects={effects} />}
            </button>
          ))}
          {gears.length === 1 && (
            <button
              type="button"
              className="btn btn-xs"
              onClick={() => openCard({ kind: 'gear', id: itemAt(gears, 0) })}
            >
              Change this gear
            </button>
          )}
          {positions.map((id) => (
            <button key={id} type="button" className="btn btn-xs" onClick={() => choosePosition(store, id)}>
              Show this position
            </button>
          ))}
          {!asking && (
            <button type="button" className="btn btn-ghost btn-xs" onClick={() => setAsking(true)}>
              Set aside…
            </button>
          )}
        </div>
        {asking && (
          <AsideForm onDone={(note) => edit(setAside(train, found.key, note))} onLeave={() => setAsking(false)} />
        )}
        {message && (
          <p role="alert" className="text-error">
            {message}
          </p>
        )}
      </div>
    </li>
  );
}

/** Positions of which a mend's effect is worked out; a train with more says it when it is applied. */
const MAX_POSITIONS = 24;
const TOLD = 2;

/** What a mend does to the positions, said before it is pressed. */
function MendEffect({ mend, effects }: { mend: FindingFix; effects: NonNullable<Effects> }) {
  const train = useTrain((state) => state.train);
  const convention = usePreferences((state) => state.convention);
  const effect = useMemo(() => effects(mend), [effects, mend]);
  if (!effect) return null;
  const where = ({ position, output }: Change) =>
    [
      position === null ? 'as engaged now' : `in ${partsById(train).find.position(position)?.name ?? position}`,
      ...(train.outputs.length > 1 ? [memberName(train, output)] : []),
    ].join(', ');
  const says = ({ ratio, status }: Change['before']) => (ratio ? ratioFigure(ratio, convention) : STATUS_WORDS[status]);
  const told = effect
    .slice(0, TOLD)
    .map((change) => `${where(change)}: ${says(change.before)} → ${says(change.after)}`);
  const more = effect.length > TOLD ? `, and ${effect.length - TOLD} more` : '';
  return (
    <span className="muted font-normal">· {told.length === 0 ? 'every ratio stays' : `${told.join(', ')}${more}`}</span>
  );
}

function AsideForm({ onDone, onLeave }: { onDone: (note: string) => void; onLeave: () => void }) {
  const [note, setNote] = useState('');
  return (
    <form
      className="mt-1.5 flex items-center gap-1.5"
      onSubmit={(event) => {
        event.preventDefault();
        onDone(note);
      }}
      onKeyDown={(event) => event.key === 'Escape' && onLeave()}
    >
      <input
        className="input input-xs min-w-0 flex-1"
        aria-label="Why it may stay"
        placeholder="why it may stay"
        autoFocus
        maxLength={500}
        value={note}
        onChange={(event) => setNote(event.target.value)}
      />
      <button type="submit" className="btn btn-neutral btn-xs">
        Set aside
      </button>
    </form>
  );
}

function AsideLine({ found, note }: { found: Finding; note: string }) {
  const train = useTrain((state) => state.train);
  const say = useNotice();
  const edit = useEdit(say);
  return (
    <li
      tabIndex={0}
      className="border-t border-base-300 py-1.5 text-sm leading-snug hover:bg-base-200 focus-visible:bg-base-200"
      {...usePointing(found)}
    >
      <p className="muted">{found.what}</p>
      <p className="flex items-start gap-2">
        <span className="flex-1">“{note}”</span>
        <button type="button" className="btn btn-ghost btn-xs" onClick={() => edit(reopenFinding(train, found.key))}>
          Reopen
        </button>
      </p>
    </li>
  );
}
