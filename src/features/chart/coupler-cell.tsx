'use client';

import clsx from 'clsx';
import type { ChartRow } from '@/core/gear-chart';
import type { Coupler } from '@/core/train';
import { decidesForItself } from '@/features/train/words';

interface Props {
  readonly coupler: Coupler;
  readonly row: ChartRow;
  readonly onToggle: () => void;
}

/** Whether a coupler is engaged in a position, pressed to change that; a one-way clutch that decides for itself says what it does. */
export function CouplerCell({ coupler, row: { name, engaged, solved }, onToggle }: Props) {
  const does = solved.state.oneWays.get(coupler.id);
  const on = engaged.includes(coupler.id);
  const called = coupler.name || coupler.id;
  if (decidesForItself(coupler))
    return (
      <span className="muted text-xs" data-cell tabIndex={-1} aria-label={`${called} in ${name}: ${does ?? 'idle'}`}>
        {does ?? ''}
      </span>
    );
  return (
    <button
      type="button"
      data-cell
      tabIndex={-1}
      aria-pressed={on}
      aria-label={`${called} in ${name}`}
      title={does && `${called} ${does}`}
      className="grid h-5 w-full place-items-center"
      onClick={(event) => {
        event.stopPropagation();
        onToggle();
      }}
    >
      <span
        className={clsx(
          'size-3 border',
          coupler.type === 'brake' ? 'rounded-none' : 'rounded-full',
          on ? 'border-base-content bg-base-content' : 'border-base-300',
          on && does === 'overruns' && 'opacity-40',
        )}
      />
    </button>
  );
}
