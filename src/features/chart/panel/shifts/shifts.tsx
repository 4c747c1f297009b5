'use client';

import clsx from 'clsx';
import { useMemo } from 'react';
import { shiftBetween, type Shift, possibleShifts } from '@/core/gear-chart';
import type { Train } from '@/core/train';
import { useNow, useTrain } from '@/features/train/use-train';
import { movesSay, verdictWords } from '../../shift-words';
import { useChart } from '../../use-chart';
import { ShiftStory } from './shift-story';
import { SinglesButton } from './singles';
import { partsById } from '@/core/train';
import { modelOf } from '@/core/model';

/** Every shift between neighbouring rows, and all about one of them: any two positions can be picked. */
export function Shifts() {
  const train = useTrain((state) => state.train);
  const shifts = useMemo(() => [...modelOf(train).derive(possibleShifts).values()], [train]);
  const { from, to } = usePair();
  const set = useChart((state) => state.set);
  if (train.positions.length < 2 || !from || !to)
    return <p className="muted text-sm">A shift needs two positions. Add another one to the chart.</p>;
  const pick = (end: 'from' | 'to', id: string) => set({ pair: { from: from.id, to: to.id, [end]: id } });
  return (
    <div className="grid gap-x-8 gap-y-3 lg:grid-cols-[minmax(18rem,26rem)_1fr]">
      <div>
        <div className="flex items-center gap-2 text-sm">
          <PositionChoice label="Shift from" value={from.id} onChoose={(id) => pick('from', id)} />
          <PositionChoice label="to" value={to.id} onChoose={(id) => pick('to', id)} />
        </div>
        <ul aria-label="Shifts between neighbouring rows" className="mt-2 text-sm">
          {shifts.map((shift) => (
            <li key={shift.from.id}>
              <button
                type="button"
                aria-pressed={shift.from.id === from.id && shift.to.id === to.id}
                className={
                  'flex w-full gap-3 border-l-3 border-transparent px-2 py-0.5 text-left ' +
                  'hover:bg-base-200 aria-pressed:border-primary aria-pressed:bg-base-200'
                }
                onClick={() => set({ pair: { from: shift.from.id, to: shift.to.id } })}
              >
                <span className="w-20 shrink-0 font-semibold">
                  {shift.from.name} → {shift.to.name}
                </span>
                <span className={clsx('w-28 shrink-0', isHard(shift) && 'text-error')}>{verdictWords(shift)}</span>
                <span className="muted min-w-0 truncate">{movesSay(train, shift)}</span>
              </button>
            </li>
          ))}
        </ul>
        {shifts.length === 0 && (
          <p className="muted mt-2 text-sm">No two rows that follow each other can be shifted between.</p>
        )}
        {shifts.some(isHard) && <SinglesButton />}
      </div>
      <Picked train={train} from={from} to={to} />
    </div>
  );
}

const isHard = ({ verdict }: Shift): boolean => verdict === 'blocked' || verdict === 'double';

/**
 * The two positions that are looked at: those that were picked, else the one that is chosen and the next row it can be
 * shifted to.
 */
function usePair() {
  const train = useTrain((state) => state.train);
  const pair = useChart((state) => state.pair);
  const { positionId } = useNow();
  const find = (id: string | null | undefined) => partsById(train).find.position(id);
  const [first] = modelOf(train).derive(possibleShifts).values();
  const from = find(pair.from) ?? find(positionId) ?? first?.from ?? train.positions[0];
  const next =
    from &&
    (modelOf(train).derive(possibleShifts).get(from.id)?.to ?? train.positions.find((position) => position !== from));
  return { from, to: find(pair.to) ?? next };
}

function Picked({ train, from, to }: { train: Train; from: Shift['from']; to: Shift['to'] }) {
  const found = useMemo((): Shift | string => {
    try {
      return shiftBetween(train, from, to);
    } catch (error) {
      if (error instanceof RangeError) return error.message;
      throw error;
    }
  }, [train, from, to]);
  if (from.id === to.id) return <p className="muted text-sm">Pick two different positions.</p>;
  if (typeof found === 'string') return <p className="text-sm">{found}</p>;
  return <ShiftStory shift={found} />;
}

function PositionChoice({ label, value, onChoose }: { label: string; value: string; onChoose: (id: string) => void }) {
  const positions = useTrain((state) => state.train.positions);
  return (
    <label className="flex items-center gap-2">
      <span className="muted">{label}</span>
      <select
        className="select select-xs w-28"
        aria-label={label === 'to' ? 'Shift to' : label}
        value={value}
        onChange={(event) => onChoose(event.target.value)}
      >
        {positions.map(({ id, name }) => (
          <option key={id} value={id}>
            {name}
          </option>
        ))}
      </select>
    </label>
  );
}
