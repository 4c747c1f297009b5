'use client';

import { memo } from 'react';
import { GivenPane } from './given/given';
import { ForceSpeed } from './picture/force-speed';
import { RunPane } from './run/run-pane';
import { SaysPane } from './says/says';
import type { Setup } from './setup';
import { refusalSentence } from '@/core/result';
import { useSetup, useRead } from './use-shifting';

/** What is given does not change with what is drawn. */
const Left = memo(GivenPane);
const Right = memo(SaysPane);
const Below = memo(RunPane);

/** Left motor, load and rule; in the middle force over speed, right what follows from it; below the run. */
export function Shifting({ now }: { now: Setup | null }) {
  const setup = useSetup();
  const read = useRead();
  return (
    <main className="relative flex min-h-0 flex-1 flex-col lg:flex-row">
      <h2 className="sr-only">Shifting</h2>
      <div className="shrink-0 overflow-auto lg:w-72 lg:border-r lg:border-base-content" tabIndex={-1}>
        <Left />
      </div>
      {setup && now ? (
        <div className="flex min-h-0 min-w-0 flex-1 flex-col lg:max-xl:overflow-auto">
          <div className="flex min-h-0 flex-col max-xl:shrink-0 xl:flex-1 xl:flex-row">
            <ForceSpeed setup={now} />
            <Right setup={setup} />
          </div>
          <Below setup={setup} />
        </div>
      ) : (
        <p className="muted m-auto max-w-96 p-6 text-center">
          {read.ok
            ? ''
            : `Here motor and load meet in every position, and an automatic shifter runs. ${refusalSentence(read)}`}
        </p>
      )}
    </main>
  );
}
