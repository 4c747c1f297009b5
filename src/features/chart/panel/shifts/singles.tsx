'use client';

import { useState } from 'react';
import type { SingleChanges } from '@/core/gear-chart';
import type { Train } from '@/core/train';
import { couplerName, listed } from '@/core/words';
import { useTrain } from '@/features/train/use-train';
import { useJob } from '@/workers/use-job';
import { useEdits } from '../../edits';
import { partsById } from '@/core/train';

/** Looks, among combinations of the same ratios, for a choice that makes every shift a single change. */
export function SinglesButton() {
  const train = useTrain((state) => state.train);
  const { take } = useEdits();
  // Looked for when it is asked; what was found of another train is no answer.
  const [asked, setAsked] = useState<{ readonly train: Train } | null>(null);
  const { state } = useJob('singles', asked, [asked]);
  const isLooking = state.kind === 'running';
  const isOfThis = asked?.train === train;
  return (
    <div className="mt-3 border-t border-base-300 pt-2 text-sm">
      <button type="button" className="btn btn-xs" disabled={isLooking} onClick={() => setAsked({ train })}>
        {isLooking ? 'Looking…' : 'Look for single changes'}
      </button>
      <span className="muted ml-2">among sets of the same ratios</span>
      {isOfThis && state.kind === 'failed' && <p className="mt-1">{state.message}</p>}
      {isOfThis && state.kind === 'done' && <Answer train={train} singles={state.value} onTake={take} />}
    </div>
  );
}

function Answer({
  train,
  singles,
  onTake,
}: {
  train: Train;
  singles: SingleChanges | null;
  onTake: ReturnType<typeof useEdits>['take'];
}) {
  if (!singles) return <p className="mt-1">Fewer than two positions drive.</p>;
  const before = (id: string) => partsById(train).position(id);
  const changed = singles.rows.filter(
    ({ position, engaged }) => [...engaged].sort().join() !== combined(train, before(position).engaged).join(),
  );
  const left = singles.hard.length;
  const verdict =
    left === 0
      ? 'Every shift becomes a single change.'
      : `No choice makes all shifts single; ${left === 1 ? 'one stays' : `${left} stay`} hard: ` +
        `from ${listed(singles.hard.map((id) => before(id).name))}.`;
  if (changed.length === 0)
    return <p className="mt-1">{left === 0 ? verdict : `${verdict} The chart is as good as it can be.`}</p>;
  return (
    <div className="mt-1">
      <p>{verdict}</p>
      <ul className="list-disc pl-5">
        {changed.map(({ position, engaged }) => (
          <li key={position}>
            {before(position).name}: {listed(engaged.map((id) => couplerName(train, id))) || 'nothing'} instead of{' '}
            {listed(before(position).engaged.map((id) => couplerName(train, id))) || 'nothing'}
          </li>
        ))}
      </ul>
      <button
        type="button"
        className="btn btn-neutral btn-xs mt-1"
        onClick={() =>
          onTake(
            changed.map(({ position, engaged }) => ({ name: before(position).name, engaged })),
            false,
          )
        }
      >
        Apply
      </button>
    </div>
  );
}

/** What of a set is part of combinations, sorted. */
const combined = ({ couplers }: Train, engaged: readonly string[]): readonly string[] =>
  engaged.filter((id) => couplers.find((coupler) => coupler.id === id)?.type !== 'one-way').sort();
