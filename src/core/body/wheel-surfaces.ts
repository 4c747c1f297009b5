import { helixOf, polar, reversed, type Loop } from '../shapes';
import type { Detail } from './detail';
import { addPrism } from './prism';
import type { SurfaceBuilder } from './surface';
import { addTurned, ringSection } from './turned';
import type { WheelSize } from './wheel-sizes';

/** Where a wheel stands on its axis. */
export interface WheelPlace {
  /** From one face to the other, mm. */
  readonly from: number;
  readonly to: number;
  /** What goes through it; of a ring nothing. */
  readonly bore: number;
  /** Angle of its first tooth. */
  readonly phase: number;
}

/** Surfaces of one thing that would touch stand so much of their size apart, so that each is seen whole. */
export const APART = 1e-3;

/** A wheel with its teeth, as a closed surface. */
export function addWheel(surface: SurfaceBuilder, size: WheelSize, place: WheelPlace, detail: Detail): void {
  if (size.gear.type === 'worm') return addWorm(surface, size, place, detail);
  if (size.gear.type === 'pulley') return addPulley(surface, size, place, detail);
  const { spec } = size;
  if (!spec) return;
  const { from, to, bore, phase } = place;
  const helix = helixOf({ ...spec, herringbone: size.gear.herringbone }, to - from, 0.1 * size.module);
  const teeth = detail.outline(spec);
  const hole = reversed(detail.circle(bore));
  addPrism(surface, {
    outer: spec.internal ? detail.circle(size.rim) : teeth,
    hole: spec.internal ? teeth : hole,
    heights: helix.heights.map((height) => from + height),
    // Mates are of one phase in the middle. A ring's outline begins with a space.
    twist: (z) =>
      phase + (spec.internal ? Math.PI / spec.teeth : 0) + helix.twist(z - from) - helix.twist((to - from) / 2),
  });
}

/** The end of a wheel's first tooth, at its nearer face. */
export function firstTooth(
  { gear, outer, inner }: WheelSize,
  { from, phase }: Pick<WheelPlace, 'from' | 'phase'>,
): readonly [number, number, number] {
  const { x, y } = polar(gear.type === 'internal' ? inner : outer, phase);
  return [x, y, from];
}

/** A bevel gear: its teeth shrink towards the place where the axes meet. */
export function addBevel(
  surface: SurfaceBuilder,
  { spec, pitch }: WheelSize,
  { at, bore, phase, towards, deep }: BevelPlace,
  detail: Detail,
): void {
  if (!spec) return;
  const end = at + towards * deep;
  addPrism(surface, {
    outer: detail.outline(spec),
    hole: reversed(detail.circle(Math.min(bore, 0.8 * pitch))),
    heights: towards > 0 ? [at, end] : [end, at],
    twist: () => phase,
    scale: (z) => 1 - (BEVEL_SHRINKS * Math.abs(z - at)) / deep,
  });
}

export interface BevelPlace {
  /** Where its larger end is. */
  readonly at: number;
  /** How far its teeth reach from there along the axis. */
  readonly deep: number;
  readonly towards: 1 | -1;
  readonly bore: number;
  readonly phase: number;
}

/** The smaller end of a bevel gear is smaller by this part. */
export const BEVEL_SHRINKS = 0.3;

/** A worm: a thread of as many starts as it has teeth. Right-handed, as most are. */
function addWorm(
  surface: SurfaceBuilder,
  size: WheelSize,
  { from, to, bore, phase }: WheelPlace,
  detail: Detail,
): void {
  const { module, gear, inner, outer, pitch } = size;
  const lead = Math.PI * module * gear.teeth;
  const middle = (from + to) / 2;
  // Along its axis the thread has the straight flanks of a rack.
  const radiusAt = (part: number) => {
    const off = Math.abs(part - Math.round(part));
    return Math.min(outer, Math.max(inner, pitch + ((0.25 - off) * Math.PI * module) / Math.tan(FLANK)));
  };
  const points = Math.max(detail.sides, 24 * gear.teeth);
  const outline: Loop = Array.from({ length: points }, (_, i) =>
    polar(radiusAt((gear.teeth * i) / points), (2 * Math.PI * i) / points),
  );
  const layers = Math.max(2, Math.ceil((24 * (to - from)) / lead));
  addPrism(surface, {
    outer: outline,
    hole: reversed(detail.circle(bore)),
    heights: Array.from({ length: layers + 1 }, (_, i) => from + ((to - from) * i) / layers),
    twist: (z) => phase + (2 * Math.PI * (z - middle)) / lead,
  });
}

const FLANK = (20 * Math.PI) / 180;

/** A belt's wheel: a rim between two flanges. */
function addPulley(surface: SurfaceBuilder, size: WheelSize, { from, to, bore }: WheelPlace, { sides }: Detail): void {
  const flange = 0.12 * (to - from);
  const edge = size.outer + 0.6 * size.module;
  const profile = [
    [from, bore],
    [to, bore],
    [to, edge],
    [to - flange, edge],
    [to - flange, size.pitch],
    [from + flange, size.pitch],
    [from + flange, edge],
    [from, edge],
  ] as const;
  addTurned(
    surface,
    profile.map(([z, r]) => ({ z, r })),
    sides,
  );
}

/** The disc that carries a ring which is held from one side. */
export const addWeb = (
  surface: SurfaceBuilder,
  from: number,
  to: number,
  bore: number,
  rim: number,
  sides: number,
): void => addTurned(surface, ringSection(from, to, bore, rim), sides);

/** A plain round bar beside the axis. */
export function addBar(surface: SurfaceBuilder, loop: Loop, from: number, to: number): void {
  addPrism(surface, { outer: loop, hole: null, heights: [from, to], twist: () => 0 });
}

/** A block of a ring between two angles. */
export function addSector(surface: SurfaceBuilder, { from, to, r0, r1, angle, wide }: Sector): void {
  const steps = Math.max(1, Math.ceil(Math.abs(wide) / 0.2));
  const along = Array.from({ length: steps + 1 }, (_, i) => angle + wide * (i / steps - 0.5));
  const outer = [
    ...along.map((at) => polar(r1, at)),
    ...[...along].reverse().map((at) => polar(Math.max(r0, 1e-6 * r1), at)),
  ];
  addPrism(surface, { outer, hole: null, heights: [from, to], twist: () => 0 });
}

export interface Sector {
  readonly from: number;
  readonly to: number;
  readonly r0: number;
  readonly r1: number;
  readonly angle: number;
  readonly wide: number;
}
