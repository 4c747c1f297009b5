'use client';

import clsx from 'clsx';
import type { GearBar } from '@/core/drawing';
import type { MemberFigures } from '@/core/powerflow';
import { isZero, sign } from '@/core/rational';
import type { Train } from '@/core/train';
import { memberColor } from '@/ui/member-colors';
import { useBench } from '../store';

interface Props {
  readonly bar: GearBar;
  readonly train: Train;
  readonly figures: MemberFigures;
  readonly chosen: boolean;
  readonly onChoose: () => void;
}

/** A gear seen from the side: a bar across its shaft, to be picked with the pointer or the keyboard. */
export function GearBarFigure({ bar, train, figures, chosen, onChoose }: Props) {
  const gear = train.gears.find((candidate) => candidate.id === bar.gear)!;
  const member = train.members.find((candidate) => candidate.id === bar.member);
  const lit = useBench((state) => state.highlight?.gears.includes(bar.gear) || state.highlight?.members.includes(bar.member) || false);
  const set = useBench((state) => state.set);
  const { x, y, radius, halfWidth } = bar;
  const color = memberColor(train, bar.member);
  return (
    <g
      role="button"
      tabIndex={0}
      aria-label={`Gear on ${member?.name ?? 'the frame'}, ${gear.teeth} teeth. Change.`}
      aria-pressed={chosen}
      className="group cursor-pointer outline-none"
      onClick={onChoose}
      onKeyDown={(event) => {
        if (event.key !== 'Enter' && event.key !== ' ') return;
        event.preventDefault();
        onChoose();
      }}
      onPointerEnter={() => set({ highlight: { members: [bar.member], gears: [] } })}
      onPointerLeave={() => set({ highlight: null })}
    >
      <rect x={x - halfWidth - 6} y={y - radius - 3} width={2 * halfWidth + 12} height={2 * radius + 6} rx={4} className="fill-transparent stroke-accent opacity-0 group-focus-visible:opacity-100" strokeWidth={2} />
      <rect
        x={x - halfWidth}
        y={y - radius + 1}
        width={2 * halfWidth}
        height={2 * radius - 2}
        rx={2}
        className={clsx('transition-[fill-opacity]', chosen || lit ? '[fill-opacity:0.45]' : '[fill-opacity:0.16] group-hover:[fill-opacity:0.4]')}
        style={{ fill: color, stroke: color }}
        strokeWidth={chosen ? 3 : 2}
      />
      <TurnArrow bar={bar} direction={figures.speed && !isZero(figures.speed) ? sign(figures.speed) : 0} color={color} />
    </g>
  );
}

/** Which way the near side of the gear moves: up when it turns forward. */
function TurnArrow({ bar: { x, y, radius }, direction, color }: { bar: GearBar; direction: number; color: string }) {
  if (direction === 0) return null;
  const room = radius - 11;
  if (room < 8) return null;
  const half = Math.min(13, room / 2);
  const at = y - 6 - room / 2;
  const tip = at - direction * half;
  const tail = at + direction * half;
  return <path d={`M ${x} ${tail} L ${x} ${tip} m -5 ${direction * 5} l 5 ${-direction * 5} l 5 ${direction * 5}`} fill="none" strokeWidth={2} strokeLinecap="round" strokeLinejoin="round" style={{ stroke: color }} aria-hidden />;
}
