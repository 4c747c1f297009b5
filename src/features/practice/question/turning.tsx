import { RotateCw } from 'lucide-react';
import { useCallback, useEffect, useRef, useState } from 'react';
import { abs, toNumber } from '@/core/rational';
import type { Train } from '@/core/train';
import { memberName } from '@/core/words';
import { analyseEngaged } from '@/features/train/analysis';
import { useReducedMotion } from '@/ui/reduced-motion';
import { required } from '@/core/required';

const SECONDS = 4;
const [LEAST_TURNS, MOST_TURNS] = [1, 24];

/**
 * The input turned from rest until the output has made a turn or so; where it stands, and how each member has turned.
 */
export interface TurnedFigure {
  /** Turns of the input; null before it is turned. */
  readonly crank: number | null;
  readonly turns: ((member: string) => number) | null;
  /** Members whose speed is undetermined. */
  readonly free: ReadonlySet<string>;
  readonly start: () => void;
}

/** Turns a train in an engagement, a little at every frame, or at once for those who want no movement. */
export function useTurning(train: Train, engaged: readonly string[] | null): TurnedFigure {
  const [crank, setCrank] = useState<number | null>(null);
  const frame = useRef(0);
  const still = useReducedMotion();
  useEffect(() => () => cancelAnimationFrame(frame.current), []);
  const explained = engaged && analyseEngaged(train, engaged, 'drive', false);
  const ratio = explained?.solved.ratio ?? null;
  const until = ratio ? Math.min(MOST_TURNS, Math.max(LEAST_TURNS, Math.ceil(toNumber(abs(ratio))))) : LEAST_TURNS;
  const start = useCallback(() => {
    cancelAnimationFrame(frame.current);
    if (still) return setCrank(until);
    const begun = performance.now();
    const next = (now: number) => {
      const at = Math.min(1, (now - begun) / (SECONDS * 1000));
      setCrank(Math.max(0, at) * until);
      if (at < 1) frame.current = requestAnimationFrame(next);
    };
    frame.current = requestAnimationFrame(next);
  }, [until, still]);
  const speeds = new Map(explained?.moves.map(({ id, speed }) => [id, toNumber(speed)]));
  const free = new Set(explained?.moves.flatMap(({ id, isFree }) => (isFree ? [id] : [])));
  return { crank, turns: crank === null ? null : (member) => crank * (speeds.get(member) ?? 0), free, start };
}

/** The button that turns it, and the counters: how far the input and everything else has turned. */
export function Counters({ train, turned, hint }: { train: Train; turned: TurnedFigure; hint: string }) {
  const shown = train.members.filter(({ carrier }) => carrier === undefined);
  return (
    <div className="flex flex-wrap items-center gap-x-4 gap-y-1 text-sm">
      <button type="button" className="btn btn-sm" onClick={turned.start}>
        <RotateCw className="size-4" aria-hidden /> Turn it <kbd className="kbd kbd-xs">{hint}</kbd>
      </button>
      {turned.turns && (
        <ul aria-label="Counters" className="flex flex-wrap gap-x-4">
          <li className="muted">Turns:</li>
          {shown.map(({ id }) => (
            <li key={id} className={id === train.input || train.outputs.includes(id) ? 'font-semibold' : 'muted'}>
              {memberName(train, id)}{' '}
              <span className="figure">{required(turned.turns)(id).toFixed(2).replace('-', '−')}</span>
              {turned.free.has(id) && <span title="Its speed is undetermined."> (free)</span>}
            </li>
          ))}
        </ul>
      )}
    </div>
  );
}
