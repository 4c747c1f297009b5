'use client';

import clsx from 'clsx';
import { useMemo } from 'react';
import { shiftDetails, type SetBetween, type Shift, type ShiftDetails } from '@/core/gear-chart';
import { toNumber } from '@/core/rational';
import { lockSet } from '@/core/solve';
import type { Train } from '@/core/train';
import { figure, ratioFigure, wayText } from '@/core/units';
import { couplerName, listed } from '@/core/words';
import { useTyped } from '@/features/train/input/typed-input';
import { useTrain } from '@/features/train/use-train';
import { STATUS_WORDS } from '@/features/train/words';
import { InWords } from '@/ui/part-words';
import { usePreferences } from '@/ui/preferences';
import type { Column } from '@/ui/column';
import { DataTable } from '@/ui/data-table';
import { movesSay, verdictSays, verdictWords } from '../../shift-words';
import { percent } from '../../table/row-figures';

/**
 * All about one shift: what moves, how it goes, what has to be matched, in which order, and what the train does in
 * between.
 */
export function ShiftStory({ shift }: { shift: Shift }) {
  const train = useTrain((state) => state.train);
  const details = useMemo(() => shiftDetails(shift), [shift]);
  const { from, to, verdict } = shift;
  const hard = verdict === 'blocked' || verdict === 'double';
  return (
    <section aria-label={`Shift from ${from.name} to ${to.name}`} className="max-w-3xl text-sm">
      <h3>
        <span className="font-semibold">
          {from.name} → {to.name}: <span className={clsx(hard && 'text-error')}>{verdictWords(shift)}</span>
        </span>
        <span className="muted ml-3">{movesSay(train, shift)}</span>
      </h3>
      <ul className="mt-1 list-disc space-y-0.5 pl-5">
        <li>
          <InWords train={train} text={verdictSays(shift)} />
        </li>
        {warnings(train, shift, details).map((warning) => (
          <li key={warning}>
            <InWords train={train} text={warning} />
          </li>
        ))}
        <Matches details={details} />
        <Load details={details} />
        {details.order && details.order.length > 1 && (
          <li>
            Order that is safest:{' '}
            {listed(
              details.order.map(
                ({ coupler, goes, then }) => `${couplerName(train, coupler)} ${goes} (${STATUS_WORDS[then]})`,
              ),
            )}
            .
          </li>
        )}
      </ul>
      {shift.between.length > 0 && <Lattice shift={shift} />}
    </section>
  );
}

/** What can go wrong, in sentences. */
function warnings(train: Train, { between }: Shift, { handsOver, overlap, gap, positive }: ShiftDetails): string[] {
  const name = (id: string) => couplerName(train, id);
  const slipping = positive.length === 0;
  const tie = between.find(({ solved: { status } }) => status === 'locked');
  return [
    ...handsOver.map(({ coupler, then }) =>
      then === 'holds' ? `${name(coupler)} catches by itself.` : `${name(coupler)} releases by itself.`,
    ),
    ...(overlap === 'locked' && tie
      ? [`If what goes off still carries when what comes on does, the train ties up: ${causeOf(train, tie)}.`]
      : []),
    ...(gap === 'neutral' && slipping ? ['If neither carries, the input flares up: nothing holds it back.'] : []),
    ...(gap === 'neutral' && !slipping
      ? [
          `${listed(positive.map(name))} cannot slip, so what goes off must be off first: the train is neutral ` +
            'between, and an automatic shifter that reads output torque sees none there and chatters.',
        ]
      : []),
    ...(gap !== null && gap !== 'neutral' && !slipping
      ? [`${listed(positive.map(name))} cannot slip, so what goes off must be off first; between, the train is ${gap}.`]
      : []),
  ];
}

function causeOf(train: Train, { engaged, solved }: SetBetween): string {
  const cause = lockSet(solved).filter((id) => engaged.includes(id) || !solved.engaged.has(id));
  return `${listed((cause.length > 0 ? cause : engaged).map((id) => couplerName(train, id)))} cannot be on together`;
}

function Matches({ details: { matches } }: { details: ShiftDetails }) {
  const train = useTrain((state) => state.train);
  const { speed } = useTyped();
  const told = (times: number) =>
    speed.value === null ? `${figure(times)} per input turn` : `${figure(Math.abs(times) * speed.value)} ${speed.unit}`;
  return matches.map(({ coupler, difference }) => (
    <li key={coupler}>
      At {couplerName(train, coupler)}{' '}
      {difference === null ? (
        'the sides are free: no speed to match.'
      ) : toNumber(difference) === 0 ? (
        'both sides already turn alike.'
      ) : (
        <>
          <span className="figure">{told(toNumber(difference))}</span> have to be matched.
        </>
      )}
    </li>
  ));
}

function Load({ details: { inputSpeed, inputTorque } }: { details: ShiftDetails }) {
  if (!inputSpeed || !inputTorque) return null;
  const [speed, torque] = [toNumber(inputSpeed), toNumber(inputTorque)];
  if (speed < 0) return <li>The output changes its direction.</li>;
  return (
    <li>
      For the same output speed the input turns ×<span className="figure">{figure(speed)}</span> (
      {percent(100 * (speed - 1))} %); for the same output torque, without losses, it needs{' '}
      <span className="figure">{figure(torque)}</span> times the torque.
    </li>
  );
}

/** What the train does in every set that lies between. */
function Lattice({ shift }: { shift: Shift }) {
  const train = useTrain((state) => state.train);
  const convention = usePreferences((state) => state.convention);
  const columns: Column<SetBetween>[] = [
    {
      head: 'Engaged',
      value: ({ engaged }) => listed(engaged.map((id) => couplerName(train, id))) || 'nothing',
    },
    {
      head: 'The train',
      value: ({ solved: { status } }) => STATUS_WORDS[status],
      cell: ({ solved: { status } }) => (
        <span className={clsx(status === 'locked' && 'text-error')}>{STATUS_WORDS[status]}</span>
      ),
    },
    {
      head: `Ratio, ${convention}`,
      numeric: true,
      value: ({ solved: { ratio } }) => ratio && toNumber(ratio),
      cell: ({ solved: { ratio } }) => (ratio ? `${ratioFigure(ratio, convention)} ${wayText(ratio)}` : '—'),
    },
    {
      head: 'Because of',
      value: ({ solved }) =>
        solved.status === 'locked' ? listed(lockSet(solved).map((id) => couplerName(train, id))) : null,
    },
  ];
  return (
    <DataTable
      label={`Between ${shift.from.name} and ${shift.to.name}`}
      beside={<span className="muted">Between them</span>}
      rows={shift.between}
      columns={columns}
      keyOf={({ engaged }) => engaged.join()}
    />
  );
}
