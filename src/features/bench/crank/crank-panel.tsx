'use client';

import { Pause, Play, RotateCcw, RotateCw, Undo2 } from 'lucide-react';
import { useState } from 'react';
import { neg, ONE, toNumber } from '@/core/rational';
import { NOTHING_TURNED, readTurns } from '@/core/turning';
import { couplerName, listed, memberName } from '@/core/words';
import { useExplained } from '@/features/train/use-explained';
import { useTrain } from '@/features/train/use-train';
import { useReducedMotion } from '@/ui/reduced-motion';
import { useCrank, useBench } from '../use-bench';
import { CounterTable } from './counter-table';
import { useMoving } from './turns';
import { itemAt } from '@/core/required';

const SPEEDS = [0.02, 0.05, 0.1, 0.25, 0.5, 1, 2];

/** The crank, which turns the train by hand or by itself, and what every member has turned. */
export function CrankPanel() {
  const { solved, locks } = useExplained();
  const train = useTrain((state) => state.train);
  const driver = memberName(train, itemAt(solved.network.memberIds, solved.flow.driver));
  return (
    <section aria-label="Crank and counters" className="flex min-h-0 min-w-0 flex-col px-4 pt-1.5">
      {solved.status === 'locked' ? (
        <p className="py-1 text-error">
          Locked: {driver}.{' '}
          {locks.length > 0
            ? `Tied up by ${listed(locks.map((id) => couplerName(train, id)))}`
            : 'The meshes alone lock it'}
          .
        </p>
      ) : (
        <CrankControls driver={driver} />
      )}
      <CounterTable />
    </section>
  );
}

function CrankControls({ driver }: { driver: string }) {
  const turnTo = useBench((state) => state.turnTo);
  const crank = useCrank();
  const moving = useMoving();
  const still = useReducedMotion();
  const [pace, setPace] = useState(3);
  const [typed, setTyped] = useState('10');
  const wanted = readTurns(typed);
  return (
    <div className="flex flex-wrap items-center gap-x-1.5 gap-y-1 text-sm">
      <span className="muted max-w-22 truncate" title={`What is cranked: ${driver}`}>
        {driver}
      </span>
      <button
        type="button"
        className="btn btn-sm btn-square"
        aria-label={moving === 'play' ? 'Pause' : 'Play'}
        title={`${moving === 'play' ? 'Pause' : 'Play'} (Space)`}
        onClick={() => (moving === 'play' ? crank.stop() : crank.play(itemAt(SPEEDS, pace)))}
      >
        {moving === 'play' ? <Pause className="size-4" aria-hidden /> : <Play className="size-4" aria-hidden />}
      </button>
      <input
        type="range"
        className="range range-xs w-16"
        aria-label="Speed of the crank"
        aria-valuetext={`${SPEEDS[pace]} turns a second`}
        title={`${SPEEDS[pace]} turns a second`}
        min={0}
        max={SPEEDS.length - 1}
        value={pace}
        onChange={(event) => {
          setPace(Number(event.target.value));
          if (moving === 'play') crank.play(itemAt(SPEEDS, Number(event.target.value)));
        }}
      />
      <button
        type="button"
        className="btn btn-neutral btn-sm px-2.5"
        title="Turn exactly 1 (T)"
        onClick={() => crank.turn(ONE, !still)}
      >
        <RotateCw className="size-4" aria-hidden /> Turn exactly 1
      </button>
      <form
        className="join"
        onSubmit={(event) => {
          event.preventDefault();
          if (wanted.ok) crank.turn(wanted.value, !still);
        }}
      >
        <button type="submit" className="btn join-item btn-sm px-2.5" disabled={!wanted.ok}>
          Turn
        </button>
        <input
          className="input input-sm join-item figure w-14 aria-invalid:border-error"
          aria-label="Turns to make"
          inputMode="decimal"
          value={typed}
          aria-invalid={!wanted.ok}
          title={wanted.ok ? `${toNumber(wanted.value)} turns` : wanted.problems[0].message}
          onChange={(event) => setTyped(event.target.value)}
        />
      </form>
      <button
        type="button"
        className="btn btn-sm px-2.5"
        title="Turn back exactly 1 (Shift T)"
        onClick={() => crank.turn(neg(ONE), !still)}
      >
        <RotateCcw className="size-4" aria-hidden /> Back 1
      </button>
      <button
        type="button"
        className="btn btn-ghost btn-sm px-2"
        title="Set every counter to 0"
        onClick={() => {
          crank.stop();
          turnTo(NOTHING_TURNED);
        }}
      >
        <Undo2 className="size-4" aria-hidden /> Reset
      </button>
      {!wanted.ok && (
        <p role="alert" className="w-full text-xs text-error">
          {wanted.problems[0].message}
        </p>
      )}
    </div>
  );
}
