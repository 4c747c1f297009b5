'use client';

import clsx from 'clsx';
import { ratioFigure, wayText } from '@/core/units';
import { inverse } from '@/core/rational';
import { usePreferences } from '@/ui/preferences';
import { analysePosition } from './analysis';
import { useBench } from './store';

/** The gear positions as keys, always in reach. */
export function PositionsStrip() {
  const train = useBench((state) => state.train);
  const chosen = useBench((state) => state.positionId);
  const set = useBench((state) => state.set);
  const convention = usePreferences((state) => state.convention);
  if (train.positions.length === 0) return <p className="muted self-center text-sm">This train has one way of running and no positions.</p>;
  return (
    <div role="group" aria-label="Positions" className="flex flex-wrap gap-2">
      {train.positions.map((position) => {
        const { solved } = analysePosition(train, position.id);
        const on = position.id === chosen;
        return (
          <button
            key={position.id}
            type="button"
            aria-pressed={on}
            onClick={() => set({ positionId: position.id })}
            className={clsx('min-w-24 rounded-t-md rounded-b-xl border px-3 py-1 text-center leading-tight', on ? 'border-primary bg-primary text-primary-content' : 'border-base-content bg-base-200 hover:bg-base-300')}
          >
            <span className="block font-semibold">{position.name}</span>
            <span className="figure block text-sm">{solved.ratio ? `${ratioFigure(solved.ratio, convention)} : 1` : '—'}</span>
            <span className="block text-xs">{solved.ratio ? `${convention}, ${wayText(inverse(solved.ratio))}` : solved.status}</span>
          </button>
        );
      })}
    </div>
  );
}
