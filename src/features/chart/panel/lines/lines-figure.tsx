'use client';

import clsx from 'clsx';
import { useMemo, useRef, useState, type KeyboardEvent, type PointerEvent } from 'react';
import type { Train } from '@/core/train';
import { figure } from '@/core/units';
import { memberName } from '@/core/words';
import { memberColor } from '@/figures/member-colors';
import { itemAt, required } from '@/core/required';

/** A point of a line: a member's speed on its scale. */
export interface LinePoint {
  readonly member: string;
  /** From 0 to 1 across its set. */
  readonly at: number;
  /** Per turn put in; null where it is open. */
  readonly speed: number | null;
}

interface Props {
  readonly train: Train;
  readonly sets: readonly (readonly LinePoint[])[];
  /** Members whose speed was told. */
  readonly pinned: readonly string[];
  readonly onDrag: (member: string, speed: number) => void;
}

const HEIGHT = 300;
const [TOP, BOTTOM] = [34, 16];
/** What the sets share, beside the figures. */
const WIDTH = 880;
const [NARROWEST, WIDEST] = [136, 250];
const LEFT = 64;
const RIGHT = 72;
/** A key moves a point by so much of a turn. */
const STEP = 0.05;

/** Upright scales side by side, a line through each set's points, and members that two sets share tied across. */
export function LinesFigure({ train, sets, pinned, onDrag }: Props) {
  const svg = useRef<SVGSVGElement>(null);
  // The scale stays while a point is dragged, or it would run away from the pointer.
  const [held, setHeld] = useState<{ readonly member: string; readonly range: Range } | null>(null);
  const gap = sets.length > 3 ? 60 : 84;
  const gaps = (sets.length - 1) * gap;
  const setWidth = Math.min(WIDEST, Math.max(NARROWEST, (WIDTH - LEFT - RIGHT - gaps) / sets.length));
  const width = LEFT + sets.length * setWidth + gaps + RIGHT;
  const fitting = useMemo(() => rangeOf(sets), [sets]);
  const range = held?.range ?? fitting;
  const x = (set: number, at: number) => LEFT + set * (setWidth + gap) + at * setWidth;
  const y = (speed: number) => TOP + ((range.most - speed) / (range.most - range.least)) * (HEIGHT - TOP - BOTTOM);
  const speedAt = (clientY: number) => {
    const box = required(svg.current).getBoundingClientRect();
    const py = ((clientY - box.top) / box.height) * HEIGHT;
    return range.most - ((py - TOP) / (HEIGHT - TOP - BOTTOM)) * (range.most - range.least);
  };
  const move = (event: PointerEvent) => {
    if (!held) return;
    const speed = speedAt(event.clientY);
    // Standing still and one turn are what people drag to.
    const near = [0, 1, -1].find((value) => Math.abs(y(value) - y(speed)) < 4);
    onDrag(held.member, near ?? speed);
  };
  const ties = sharedMembers(sets);
  return (
    <svg
      ref={svg}
      viewBox={`0 0 ${width} ${HEIGHT}`}
      className="select-none"
      style={{ width, height: HEIGHT }}
      role="group"
      aria-label="Speed lines"
      onPointerMove={move}
      onPointerUp={() => setHeld(null)}
      onPointerCancel={() => setHeld(null)}
    >
      <Ticks range={range} width={width} y={y} />
      {ties.map(({ member, from, to }) => {
        const speed = itemAt(itemAt(sets, from.set), from.point).speed;
        if (speed === null) return null;
        return (
          <line
            key={`${member} ${from.set} ${to.set}`}
            x1={x(from.set, itemAt(itemAt(sets, from.set), from.point).at)}
            x2={x(to.set, itemAt(itemAt(sets, to.set), to.point).at)}
            y1={y(speed)}
            y2={y(speed)}
            stroke={memberColor(train, member)}
            strokeDasharray="2 4"
            strokeWidth={1.2}
          />
        );
      })}
      {sets.map((points, set) => {
        const known = points.filter(({ speed }) => speed !== null);
        const rises = known.length > 1 && required(itemAt(known, -1).speed) > required(itemAt(known, 0).speed);
        return (
          <g key={set}>
            {points.map(({ member, at }, i) => (
              <g key={member}>
                <line
                  x1={x(set, at)}
                  x2={x(set, at)}
                  y1={TOP}
                  y2={HEIGHT - BOTTOM}
                  stroke={memberColor(train, member)}
                  strokeWidth={1}
                />
                <text
                  x={x(set, at)}
                  y={i % 2 === 0 ? 11 : 24}
                  textAnchor="middle"
                  fontSize={12}
                  fill={memberColor(train, member)}
                >
                  {memberName(train, member)}
                </text>
              </g>
            ))}
            {known.length > 1 && (
              <line
                x1={x(set, itemAt(known, 0).at)}
                y1={y(required(itemAt(known, 0).speed))}
                x2={x(set, itemAt(known, -1).at)}
                y2={y(required(itemAt(known, -1).speed))}
                className="stroke-base-content"
                strokeWidth={2}
              />
            )}
            {known.map(({ member, at, speed }) => (
              <Dot
                key={member}
                label={`${memberName(train, member)} on set ${set + 1}`}
                x={x(set, at)}
                y={y(required(speed))}
                speed={required(speed)}
                stands={speed === 0}
                pinned={pinned.includes(member)}
                color={memberColor(train, member)}
                below={rises && member !== itemAt(known, -1).member}
                onTake={() => setHeld({ member, range })}
                onMove={(by) => onDrag(member, required(speed) + by)}
              />
            ))}
          </g>
        );
      })}
    </svg>
  );
}

interface DotProps {
  readonly label: string;
  readonly x: number;
  readonly y: number;
  readonly speed: number;
  readonly stands: boolean;
  readonly pinned: boolean;
  readonly color: string;
  /** Its figure stands below, where the line rises to its right. */
  readonly below: boolean;
  readonly onTake: () => void;
  readonly onMove: (by: number) => void;
}

/** A point that can be dragged: full where its speed was told, hollow where it follows; a square where it stands. */
function Dot({ label, x, y, speed, stands, pinned, color, below, onTake, onMove }: DotProps) {
  const press = (event: KeyboardEvent) => {
    const by = { ArrowUp: STEP, ArrowDown: -STEP, PageUp: 10 * STEP, PageDown: -10 * STEP }[event.key];
    if (by === undefined) return;
    event.preventDefault();
    event.stopPropagation();
    onMove(by);
  };
  const shape = clsx(pinned ? '' : 'fill-base-100');
  return (
    <g
      role="slider"
      tabIndex={0}
      aria-label={label}
      aria-orientation="vertical"
      aria-valuenow={Number(speed.toPrecision(4))}
      aria-valuetext={`${figure(speed)} per input turn`}
      className="cursor-ns-resize"
      onPointerDown={(event) => {
        event.preventDefault();
        (event.currentTarget as Element).setPointerCapture(event.pointerId);
        (event.currentTarget as SVGGElement).focus();
        onTake();
      }}
      onKeyDown={press}
    >
      <circle cx={x} cy={y} r={12} fill="transparent" />
      {stands ? (
        <rect
          x={x - 5}
          y={y - 5}
          width={10}
          height={10}
          stroke={color}
          fill={color}
          strokeWidth={2}
          className={shape}
        />
      ) : (
        <circle cx={x} cy={y} r={5.5} stroke={color} fill={color} strokeWidth={2} className={shape} />
      )}
      <text x={x + 9} y={below ? y + 16 : y - 7} fontSize={11} className="figure fill-base-content">
        {figure(speed)}
      </text>
    </g>
  );
}

interface Range {
  readonly least: number;
  readonly most: number;
}

/** From the slowest to the fastest, with standing and one turn always in it. */
function rangeOf(sets: Props['sets']): Range {
  const all = [0, 1, ...sets.flat().flatMap(({ speed }) => (speed === null ? [] : [speed]))];
  const [least, most] = [Math.min(...all), Math.max(...all)];
  const room = 0.12 * (most - least);
  return { least: least - room, most: most + room };
}

/** Round speeds across a range, six at the most. */
function ticks({ least, most }: Range): readonly number[] {
  const rough = (most - least) / 6;
  const unit = 10 ** Math.floor(Math.log10(rough));
  const step = required([1, 2, 5, 10].map((times) => times * unit).find((one) => one >= rough));
  const first = Math.ceil(least / step);
  return Array.from({ length: Math.floor(most / step) - first + 1 }, (_, i) =>
    Number(((first + i) * step).toPrecision(12)),
  );
}

interface Place {
  readonly set: number;
  readonly point: number;
}

/** Members that stand on the scales of two sets: each tied to where it stands next. */
function sharedMembers(sets: Props['sets']): readonly { member: string; from: Place; to: Place }[] {
  const last = new Map<string, Place>();
  return sets.flatMap((points, set) =>
    points.flatMap(({ member }, point) => {
      const from = last.get(member);
      last.set(member, { set, point });
      return from ? [{ member, from, to: { set, point } }] : [];
    }),
  );
}

/** The scale of speeds, across all sets. */
function Ticks({
  range,
  width,
  y,
}: {
  range: Parameters<typeof ticks>[0];
  width: number;
  y: (speed: number) => number;
}) {
  return ticks(range).map((value) => (
    <g key={value}>
      <line
        x1={LEFT - 8}
        x2={width - RIGHT}
        y1={y(value)}
        y2={y(value)}
        className={value === 0 ? 'stroke-base-content' : 'stroke-base-300'}
        strokeWidth={value === 0 ? 1.2 : 0.6}
      />
      <text x={LEFT - 12} y={y(value) + 4} textAnchor="end" className="figure fill-(--muted)" fontSize={11}>
        {figure(value)}
      </text>
    </g>
  ));
}
