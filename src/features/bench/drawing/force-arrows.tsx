'use client';

import { useMemo } from 'react';
import type { GearShape, SideView } from '@/core/drawing';
import { meshForces, type MeshForces } from '@/core/forces';
import type { Train } from '@/core/train';
import { figure } from '@/core/units';
import { useForces } from '../use-forces';

/** The largest force is drawn so long, in the drawing's units; smaller ones in proportion. */
const LONGEST = 46;
/** What is shorter would be a dot. */
const SHORTEST = 3;

/**
 * The forces on the first gear of each mesh: a ring for what goes along the teeth, into the picture, arrows for what
 * pushes apart and along the axis.
 */
export function ForceArrows({ view }: { view: SideView }) {
  const forced = useForces();
  const forces = useMemo(() => forced && meshForces(forced.solved, forced.use), [forced]);
  const drawn = forced && forces ? contactsIn(forced.train, view, forces) : [];
  const largest = Math.max(0, ...drawn.map(({ found }) => found.tangentialN));
  if (largest === 0) return null;
  const long = (n: number) => (LONGEST * n) / largest;
  return (
    <g aria-hidden className="pointer-events-none">
      {drawn.map(({ mesh, x, y, away, found }) => (
        <g key={mesh} className="fill-none stroke-accent" strokeWidth={2}>
          <circle cx={x} cy={y} r={3 + long(found.tangentialN) / 6} className="fill-base-100" fillOpacity={0.7} />
          <circle cx={x} cy={y} r={1.6} className="fill-accent" stroke="none" />
          <Arrow x={x} y={y} dx={0} dy={away * long(found.radialN)} />
          <Arrow x={x} y={y} dx={long(found.axialN)} dy={0} />
          <text
            x={x + 14}
            y={y - 9}
            className="figure fill-accent stroke-base-100 text-[12px]"
            strokeWidth={3}
            paintOrder="stroke"
          >
            {figure(found.tangentialN)} N
          </text>
        </g>
      ))}
    </g>
  );
}

function Arrow({ x, y, dx, dy }: { x: number; y: number; dx: number; dy: number }) {
  const size = Math.hypot(dx, dy);
  if (size < SHORTEST) return null;
  const [ux, uy] = [dx / size, dy / size];
  const [tx, ty] = [x + dx, y + dy];
  const head = `M${tx - 6 * ux - 4 * uy} ${ty - 6 * uy + 4 * ux}L${tx} ${ty}L${tx - 6 * ux + 4 * uy} ${ty - 6 * uy - 4 * ux}`;
  return <path d={`M${x} ${y}L${tx} ${ty}${head}`} />;
}

interface DrawnForce {
  readonly mesh: string;
  readonly x: number;
  readonly y: number;
  /** Which way the first gear is pushed out of its mate, down being 1. */
  readonly away: 1 | -1;
  readonly found: MeshForces;
}

/** Where the teeth of each mesh meet in the drawing. */
function contactsIn(
  train: Train,
  view: SideView,
  forces: ReadonlyMap<string, MeshForces | null>,
): readonly DrawnForce[] {
  const shapes = new Map<string, GearShape[]>();
  for (const shape of view.gears) shapes.set(shape.gear, [...(shapes.get(shape.gear) ?? []), shape]);
  return train.meshes.flatMap(({ id, gears: [a, b] }): DrawnForce[] => {
    const found = forces.get(id);
    const pairs = (shapes.get(a) ?? []).flatMap((one) => (shapes.get(b) ?? []).map((two) => nearest(one, two)));
    const [first, ...others] = pairs;
    if (!found || !first || found.tangentialN === 0) return [];
    const place = others.reduce((best, one) => (one.apart < best.apart ? one : best), first);
    return [{ mesh: id, x: place.x, y: place.y, away: place.away, found }];
  });
}

/** The pitch lines of two gears that come nearest to each other. */
function nearest(one: GearShape, two: GearShape) {
  const lines = ({ shape, y, radius }: GearShape) =>
    shape === 'sun' || shape === 'ring' ? [y] : [y - radius, y + radius];
  const found = lines(one).flatMap((p) => lines(two).map((q) => ({ p, q })));
  const best = found.reduce((least, pair) => (Math.abs(pair.p - pair.q) < Math.abs(least.p - least.q) ? pair : least));
  // A sun is pushed towards its axis, which lies below in the upper half that is drawn; a ring outward.
  const away = one.shape === 'sun' ? 1 : one.shape === 'ring' || best.p > one.y ? -1 : 1;
  return {
    x: (one.x + two.x) / 2,
    y: (best.p + best.q) / 2,
    away: away as 1 | -1,
    apart: Math.abs(best.p - best.q) + Math.abs(one.x - two.x),
  };
}
