'use client';

import clsx from 'clsx';
import { usePosition } from '../analysis';
import { useBench } from '../store';
import { sentencesOf } from './sentences';

/** The story of the power from the input to the output; pointing at a sentence lights its parts on the drawing. */
export function Trace() {
  const train = useBench((state) => state.train);
  const set = useBench((state) => state.set);
  const position = usePosition();
  return (
    <ol className="mt-3 flex flex-col" aria-label="Trace">
      {sentencesOf(train, position).map(({ text, sum, highlight, carriesPower }, i) => (
        <li
          key={i}
          tabIndex={0}
          className="flex gap-3 border-t border-base-300 py-1.5 hover:bg-base-200 focus-visible:bg-base-200"
          onPointerEnter={() => set({ highlight })}
          onPointerLeave={() => set({ highlight: null })}
          onFocus={() => set({ highlight })}
          onBlur={() => set({ highlight: null })}
        >
          <span className={clsx('figure w-4 shrink-0 text-sm', carriesPower ? 'font-semibold text-primary' : 'muted')}>{i + 1}</span>
          <span className="min-w-0">
            {text}
            <span className="figure muted block text-sm">{sum}</span>
          </span>
        </li>
      ))}
    </ol>
  );
}
