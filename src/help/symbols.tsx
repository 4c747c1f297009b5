import type { Coupler } from '@/core/train';
import type { ReactNode } from 'react';
import { CouplerSymbol } from '@/figures/side-view/coupler-symbol';
import { usePartWords } from '@/ui/part-words';

const coupler = (rest: { type: 'clutch' | 'one-way'; style?: 'friction' | 'dog' | 'band' }, frame = false): Coupler =>
  ({ id: 'x', name: 'x', joins: ['a', frame ? 'frame' : 'b'], ...rest }) as Coupler;

const joint = (of: Coupler, closed: boolean, { frame = false, overruns = false } = {}): ReactNode => (
  <CouplerSymbol
    shape={{ coupler: 'x', kind: 'joint', x: 0, y: 0, turn: 0, frame: frame ? 'second' : null }}
    coupler={of}
    closed={closed}
    overruns={overruns}
  />
);

const ink = { stroke: 'currentColor', fill: 'none', strokeWidth: 1.6 };

/** The marks of the drawings, drawn as they are drawn there. */
const SYMBOLS: readonly (readonly [mark: ReactNode, means: string])[] = [
  [
    <path key="gears" d="M -14 0 H 14 M -4 -13 h 8 v 10 h -8 z M -4 -1 h 8 v 14 h -8 z" {...ink} />,
    'two gears in mesh, seen from the side; the number beside each is its teeth',
  ],
  [
    <g key="planet" {...ink}>
      <path d="M 0 -12 V 12 M -8 -12 h 16 M -8 -15 h 16 M -8 12 h 16 M -8 15 h 16 M 3 0 H 16" />
      <circle r="3" className="fill-base-100" />
    </g>,
    'a planet on its pin, from its carrier at the right; the lines beyond it are sun and ring',
  ],
  [joint(coupler({ type: 'clutch' }), false), 'a clutch, open'],
  [joint(coupler({ type: 'clutch' }), true), 'a clutch, engaged: what it joins turns as one'],
  [joint(coupler({ type: 'clutch', style: 'dog' }), false), 'a dog clutch or sleeve'],
  [joint(coupler({ type: 'clutch' }, true), false, { frame: true }), 'a brake: hatching is the frame, which stands'],
  [joint(coupler({ type: 'clutch', style: 'band' }, true), true, { frame: true }), 'a band on its drum, tight'],
  [joint(coupler({ type: 'one-way' }), true), 'a one-way clutch that holds; the arrow is the way it can push'],
  [joint(coupler({ type: 'one-way' }), false, { overruns: true }), 'a one-way clutch that is overrun'],
  [
    <path key="power" d="M -14 0 H 14" className="stroke-primary" strokeWidth={4} />,
    'the power path; thicker where more power passes',
  ],
];

export function Symbols() {
  const told = usePartWords();
  return (
    <ul className="flex flex-col gap-1">
      {SYMBOLS.map(([mark, means]) => (
        <li key={means} className="grid grid-cols-[3rem_1fr] items-center gap-2">
          <svg viewBox="-20 -18 40 36" className="h-9 w-10" aria-hidden>
            {mark}
          </svg>
          {told(means)}
        </li>
      ))}
    </ul>
  );
}
