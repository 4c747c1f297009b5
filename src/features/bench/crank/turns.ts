'use client';

import { useEffect, useRef, useSyncExternalStore } from 'react';
import type { TurnsOf } from '@/core/end-view';
import { toNumber } from '@/core/rational';
import { speedsOf } from '@/features/train/analysis';
import type { Bench } from '../store';
import { useBenchItself, useCrank } from '../use-bench';
import type { CrankClock } from './crank-clock';

/** Turns of every member as they are at this moment, counted and under way. */
export function currentTurns(bench: Bench): TurnsOf {
  const { base, speed } = numbersOf(bench);
  const { crank } = bench;
  return (member) => (base.get(member) ?? 0) + crank.turnsSince * (speed.get(member) ?? 0);
}

const bases = new WeakMap<object, ReadonlyMap<string, number>>();
const speeds = new WeakMap<object, ReadonlyMap<string, number>>();

/** Exact counts and speeds as plain numbers, made once for each count and each position. */
function numbersOf({ train, store }: Bench) {
  const figures = speedsOf(train.getState());
  const { turned } = store.getState();
  const base = bases.get(turned) ?? new Map([...turned.members].map(([id, turns]) => [id, toNumber(turns)]));
  const speed = speeds.get(figures) ?? new Map(figures.map(({ id, speed: perTurn }) => [id, toNumber(perTurn)]));
  bases.set(turned, base);
  speeds.set(figures, speed);
  return { base, speed };
}

/** Runs at every frame while something moves, and whenever what is counted or engaged changes. */
export function useEachFrame(run: (turns: TurnsOf) => void): void {
  const bench = useBenchItself();
  const latest = useRef(run);
  useEffect(() => {
    latest.current = run;
    run(currentTurns(bench));
  });
  useEffect(() => bench.crank.onFrame(() => latest.current(currentTurns(bench))), [bench]);
}

/** Whether the crank plays, makes an exact move, or is held in the hand. */
export function useMoving(): CrankClock['moving'] {
  const crank = useCrank();
  return useSyncExternalStore(
    crank.onChange,
    () => crank.moving,
    () => null,
  );
}
