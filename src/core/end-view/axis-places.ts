import { itemAt, lookUp, required } from '../required';
/** A place seen along the axes; x to the right, y down. */
export interface AxisPlace {
  readonly x: number;
  readonly y: number;
}

/** Two axes and the distance at which gears on them mesh. */
export interface Spacing {
  readonly a: number;
  readonly b: number;
  readonly distance: number;
}

/** A disc, to the tips of its teeth, that must not lie on another of its station but those it meshes with. */
export interface Disc {
  readonly axis: number;
  readonly station: string;
  readonly radius: number;
  /** A ring, which holds others inside. */
  readonly hollow: boolean;
}

const DIRECTIONS = 24;
const NEAR = 1e-6;
const COMPACT = 1e-3;
/** How much a shaft that goes through a wheel weighs beside wheels in each other. */
const SHAFT = 0.1;

/**
 * Places for all axes: the first at the origin, each next at its distance from those already placed. An axis that
 * meshes with two placed ones stands where both distances meet; else the direction is taken in which least lies on top
 * of each other, downward first.
 */
export function axisPlaces(axes: number, spacings: readonly Spacing[], discs: readonly Disc[]): readonly AxisPlace[] {
  const places = new Map<number, AxisPlace>();
  const spacingsOf = new Map<number, Spacing[]>();
  for (const spacing of spacings)
    for (const axis of [spacing.a, spacing.b]) spacingsOf.set(axis, [...(spacingsOf.get(axis) ?? []), spacing]);
  while (places.size < axes) {
    const next = nextAxis(axes, (axis) => spacingsOf.get(axis) ?? [], places);
    places.set(next.axis, best(next.candidates, costsOf(next.axis, places, discs, spacings)));
  }
  return Array.from({ length: axes }, (_, axis) => lookUp(places, axis));
}

function nextAxis(
  axes: number,
  spacingsOf: (axis: number) => readonly Spacing[],
  places: ReadonlyMap<number, AxisPlace>,
): { axis: number; candidates: AxisPlace[] } {
  const waiting = Array.from({ length: axes }, (_, axis) => axis).filter((axis) => !places.has(axis));
  const held = waiting.map((axis) => ({
    axis,
    by: spacingsOf(axis).flatMap(({ a, b, distance }) => {
      const other = a === axis ? b : a;
      return places.has(other) ? [{ at: lookUp(places, other), distance }] : [];
    }),
  }));
  const { axis, by } = held.reduce((most, one) => (one.by.length > most.by.length ? one : most));
  if (by.length === 0) return { axis, candidates: [beyond(places)] };
  const [first] = by;
  for (const second of by.slice(1)) {
    const both = intersections(required(first), second);
    if (both.length > 0) return { axis, candidates: both };
  }
  const candidates = Array.from({ length: DIRECTIONS }, (_, i) => {
    // Downward, then fanning out to both sides.
    const angle = Math.PI / 2 + (i % 2 === 0 ? 1 : -1) * Math.ceil(i / 2) * ((2 * Math.PI) / DIRECTIONS);
    return {
      x: required(first).at.x + required(first).distance * Math.cos(angle),
      y: required(first).at.y + required(first).distance * Math.sin(angle),
    };
  });
  return { axis, candidates };
}

/** A free place at the right of everything, for an axis that meshes with none of the others. */
function beyond(places: ReadonlyMap<number, AxisPlace>): AxisPlace {
  return { x: places.size === 0 ? 0 : 40 + Math.max(...[...places.values()].map(({ x }) => x)), y: 0 };
}

function intersections(p: { at: AxisPlace; distance: number }, q: { at: AxisPlace; distance: number }): AxisPlace[] {
  const [dx, dy] = [q.at.x - p.at.x, q.at.y - p.at.y];
  const apart = Math.hypot(dx, dy);
  if (apart < NEAR) return [];
  const along = (p.distance ** 2 - q.distance ** 2 + apart ** 2) / (2 * apart);
  const square = p.distance ** 2 - along ** 2;
  if (square < 0) return [];
  const aside = Math.sqrt(square);
  return [1, -1].map((side) => ({
    x: p.at.x + (along * dx - side * aside * dy) / apart,
    y: p.at.y + (along * dy + side * aside * dx) / apart,
  }));
}

/** What a place costs for an axis: how far its discs would lie in those of others, and its shaft in their wheels. */
function costsOf(
  axis: number,
  places: ReadonlyMap<number, AxisPlace>,
  discs: readonly Disc[],
  spacings: readonly Spacing[],
): (place: AxisPlace) => number {
  const meshing = new Set(spacings.flatMap(({ a, b }) => (a === axis ? [b] : b === axis ? [a] : [])));
  const own = discs.filter((disc) => disc.axis === axis && !disc.hollow);
  const others = discs.flatMap((disc) => {
    const at = places.get(disc.axis);
    return at && !disc.hollow && !meshing.has(disc.axis) ? [{ ...disc, at }] : [];
  });
  const reach = Math.max(0, ...own.map(({ radius }) => radius));
  return (place) => {
    let depth = 0;
    for (const { at, radius, station } of others) {
      const [dx, dy] = [place.x - at.x, place.y - at.y];
      if (dx * dx + dy * dy >= (reach + radius) ** 2) continue;
      const apart = Math.hypot(dx, dy);
      for (const disc of own) {
        if (station === disc.station) depth += Math.max(0, disc.radius + radius - apart);
        // In other planes they pass, but the shaft of one may have to go through the other.
        else depth += SHAFT * Math.max(0, Math.max(disc.radius, radius) - apart);
      }
    }
    for (const at of places.values()) if (Math.hypot(place.x - at.x, place.y - at.y) < NEAR) depth += 1e6;
    // Of places equally free, the one nearest to where it all began: gearboxes are compact.
    return depth + COMPACT * Math.hypot(place.x, place.y);
  };
}

function best(candidates: readonly AxisPlace[], cost: (place: AxisPlace) => number): AxisPlace {
  let least = { place: itemAt(candidates, 0), cost: Infinity };
  for (const place of candidates) {
    const found = cost(place);
    if (found < least.cost - NEAR) least = { place, cost: found };
  }
  return least.place;
}
