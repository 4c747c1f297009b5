'use client';

import clsx from 'clsx';
import { memo } from 'react';

type OneWay = 'holds' | 'overruns' | undefined;

interface Props {
  /** "forward in 2". */
  readonly label: string;
  readonly on: boolean;
  readonly brake: boolean;
  /** What it does as a one-way clutch. */
  readonly does: OneWay;
  readonly onToggle: (on?: boolean) => void;
}

/** Whether a coupler is engaged in a position: pressed, or switched by x and 1, by Delete and 0. */
export const CouplerCell = memo(
  function CouplerCell({ label, on, brake, does, onToggle }: Props) {
    return (
      <button
        type="button"
        data-cell
        tabIndex={-1}
        aria-pressed={on}
        aria-label={label}
        title={does && `${label}: ${does}`}
        className="grid h-5 w-full place-items-center"
        onClick={(event) => {
          event.stopPropagation();
          onToggle();
        }}
        onKeyDown={(event) => {
          if (event.ctrlKey || event.metaKey || event.altKey) return;
          const asked = { x: true, X: true, 1: true, 0: false, Delete: false, Backspace: false }[event.key];
          if (asked === undefined) return;
          event.preventDefault();
          event.stopPropagation();
          onToggle(asked);
        }}
      >
        <span
          className={clsx(
            'size-3 border',
            brake ? 'rounded-none' : 'rounded-full',
            on ? 'border-base-content bg-base-content' : 'border-base-300',
            on && does === 'overruns' && 'opacity-40',
          )}
        />
      </button>
    );
  },
  (a, b) => a.label === b.label && a.on === b.on && a.brake === b.brake && a.does === b.does,
);

/** What a one-way clutch that decides for itself does in drive, and in coasting where that is something else. */
export function OneWayCell({ label, drive, coast }: { label: string; drive: OneWay; coast: OneWay }) {
  const says = `${label}: ${drive ?? 'idle'}${coast !== drive ? `; coasting: ${coast ?? 'idle'}` : ''}`;
  return (
    <span
      className="block text-center text-xs whitespace-nowrap"
      data-cell
      tabIndex={-1}
      aria-label={says}
      title={says}
    >
      <Mark does={drive} />
      {coast !== drive && (
        <span className="muted">
          {' / '}
          <Mark does={coast} />
        </span>
      )}
    </span>
  );
}

/** A wedge that grips is full, one that lets go is hollow. */
const Mark = ({ does }: { does: OneWay }) => <>{does === 'holds' ? '◆' : does === 'overruns' ? '◇' : '·'}</>;
