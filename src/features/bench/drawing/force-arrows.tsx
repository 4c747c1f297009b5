'use client';

import { useMemo } from 'react';
import type { Point, SideView } from '@/core/drawing';
import { memberForces, meshForces } from '@/core/forces';
import { figure } from '@/core/units';
import { useForces } from '../use-forces';
import { bearingPlaces, meshPlaces, type DrawnForce } from './force-places';

/** The largest force is drawn so long, in the drawing's units; smaller ones in proportion. */
const LONGEST = 46;
/** What is shorter would be a dot. */
const SHORTEST = 3;

/**
 * The forces on the first gear of each mesh, and of bearings on their members: a ring for what goes into the picture or
 * out of it, arrows for what goes across it.
 */
export function ForceArrows({ view }: { view: SideView }) {
  const forced = useForces();
  const drawn = useMemo(() => {
    if (!forced) return { meshes: [], bearings: [] };
    const forces = meshForces(forced.solved, forced.use);
    return {
      meshes: meshPlaces(forced.train, view, forces),
      bearings: bearingPlaces(view, memberForces(forced.train, forces)),
    };
  }, [forced, view]);
  const largest = Math.max(0, ...[...drawn.meshes, ...drawn.bearings].map(({ n }) => n));
  if (largest === 0) return null;
  const long = (n: number) => (LONGEST * n) / largest;
  return (
    <g aria-hidden className="pointer-events-none">
      {drawn.bearings.map((one) => (
        <Force key={one.key} of={one} long={long} figureAt={besideBearing(one, long(one.down), drawn.meshes)} />
      ))}
      {drawn.meshes.map((one) => (
        <Force key={one.key} of={one} long={long} />
      ))}
    </g>
  );
}

/** A bearing's figure stands where its arrow does not point, or beyond it where a mesh has its own figure there. */
function besideBearing({ x, y }: DrawnForce, arrow: number, meshes: readonly DrawnForce[]): Point {
  const [above, below] = [y - 24 + Math.min(0, arrow), y + 32 + Math.max(0, arrow)];
  const taken = (place: number) =>
    meshes.some((mesh) => Math.abs(mesh.x + FIGURE / 2 - x) < FIGURE && Math.abs(mesh.y - 9 - place) < 22);
  const [first, other] = arrow > 0 ? [above, below] : [below, above];
  return { x: x - FIGURE / 2, y: taken(first) ? other : first };
}

/** About as wide as a figure with its unit. */
const FIGURE = 50;

interface ForceProps {
  of: DrawnForce;
  long: (n: number) => number;
  figureAt?: Point;
}

function Force({ of: { x, y, n, through, down, right }, long, figureAt = { x: x + 14, y: y - 9 } }: ForceProps) {
  return (
    <g className="fill-none stroke-accent" strokeWidth={2}>
      <circle cx={x} cy={y} r={3 + Math.abs(long(through)) / 6} className="fill-base-100" fillOpacity={0.7} />
      <circle cx={x} cy={y} r={1.6} className="fill-accent" stroke="none" />
      <Arrow x={x} y={y} dx={0} dy={long(down)} />
      <Arrow x={x} y={y} dx={long(right)} dy={0} />
      <text
        x={figureAt.x}
        y={figureAt.y}
        className="figure fill-accent stroke-base-100 text-[12px]"
        strokeWidth={3}
        paintOrder="stroke"
      >
        {figure(n)} N
      </text>
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
