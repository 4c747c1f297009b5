'use client';

import { useMemo, useState } from 'react';
import { dragged, roundedSpeed, speedsWith, type SpeedPin, speedLinesOf } from '@/core/gear-chart';
import { isZero, ONE, toNumber, type Rational } from '@/core/rational';
import { figure } from '@/core/units';
import { memberName } from '@/core/words';
import { useTyped } from '@/features/train/input/typed-input';
import { useExplained } from '@/features/train/use-explained';
import { useNow, useTrain } from '@/features/train/use-train';
import { memberColor } from '@/figures/member-colors';
import { LinesFigure, type LinePoint } from './lines-figure';
import { modelOf } from '@/core/model';
import { lookUp } from '@/core/required';
import { InWords } from '@/ui/part-words';

const FORWARD =
  'One-way clutches stand as they do with the input turning forward; dragged past that, they may overrun.';

/**
 * The speed lines of every planetary set for what is engaged; a point that is dragged takes everything along that hangs
 * on it.
 */
export function SpeedLinesTab() {
  const train = useTrain((state) => state.train);
  const sets = modelOf(train).derive(speedLinesOf);
  const { solved } = useExplained();
  const { engaged } = useNow();
  const [told, setTold] = useState<{ readonly of: unknown; readonly pins: readonly SpeedPin[] } | null>(null);
  // What was dragged belongs to what is engaged: with another position the lines stand as they are again.
  const key = useMemo(() => ({ train, engaged }), [train, engaged]);
  const pins = useMemo(
    () => (told?.of === key ? told.pins : [{ member: train.input, speed: ONE }]),
    [told, key, train.input],
  );
  const { network, state } = solved;
  const speeds = useMemo(() => speedsWith(network, state.motion, pins), [network, state, pins]);
  if (sets.length === 0)
    return (
      <p className="text-sm">
        Speed lines are drawn for planetary sets; this train has none with two central members that roll.
      </p>
    );
  const of = (member: string): Rational | null => {
    const at = lookUp(network.memberIndex, member);
    return speeds ? speeds.of(at) : state.speeds.of(at);
  };
  const points = sets.map(({ scales }) =>
    scales.map(({ member, at }): LinePoint => ({ member, at: toNumber(at), speed: numberOf(of(member)) })),
  );
  const drag = (member: string, speed: number) => {
    const next = dragged(network, state.motion, pins, { member, speed: roundedSpeed(speed) });
    if (next) setTold({ of: key, pins: next });
  };
  const moved = told?.of === key;
  return (
    <div className="grid gap-x-6 gap-y-3 lg:grid-cols-[minmax(0,1fr)_19rem]">
      <div className="overflow-x-auto">
        <LinesFigure train={train} sets={points} pinned={pins.map(({ member }) => member)} onDrag={drag} />
      </div>
      <div className="text-sm">
        <p className="muted max-w-80">
          Each scale is a member, spaced by tooth counts; speeds are per input turn. Drag a point, or move it with the
          arrow keys.
        </p>
        <Figures of={of} members={[...new Set(sets.flatMap(({ scales }) => scales.map(({ member }) => member)))]} />
        {moved && (
          <>
            <p className="mt-2">
              Set: {pins.map(({ member }) => memberName(train, member)).join(', ')}. The rest follows.
            </p>
            <button type="button" className="btn btn-xs mt-1" onClick={() => setTold(null)}>
              As the position has it
            </button>
          </>
        )}
        {moved && state.oneWays.size > 0 && (
          <p className="muted mt-2 max-w-80 text-xs">
            <InWords text={FORWARD} />
          </p>
        )}
      </div>
    </div>
  );
}

const numberOf = (value: Rational | null): number | null => value && toNumber(value);

function Figures({ of, members }: { of: (member: string) => Rational | null; members: readonly string[] }) {
  const train = useTrain((state) => state.train);
  const { speed } = useTyped();
  return (
    <table className="mt-2" aria-label="Speeds of the lines">
      <tbody>
        {members.map((member) => {
          const value = of(member);
          const size = value && toNumber(value);
          return (
            <tr key={member}>
              <th scope="row" className="pr-3 text-left font-normal">
                <span
                  className="mr-1.5 inline-block size-2.5 rounded-full"
                  style={{ background: memberColor(train, member) }}
                  aria-hidden
                />
                {memberName(train, member)}
              </th>
              <td className="figure pr-3 text-right">{size === null ? 'open' : figure(size)}</td>
              <td className="figure muted text-right">
                {size !== null && speed.value !== null && `${figure(size * speed.value)} ${speed.unit}`}
                {value && isZero(value) && ' stands'}
              </td>
            </tr>
          );
        })}
      </tbody>
    </table>
  );
}
