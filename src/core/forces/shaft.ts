/** Along three axes: x to the right and y down as the end view shows them, z along the shafts from input to output. */
export interface Vector {
  readonly x: number;
  readonly y: number;
  readonly z: number;
}

/** A force on a body, N, and where it acts from the body's axis, mm. */
export interface Load {
  readonly force: Vector;
  readonly at: Vector;
}

export interface Reaction {
  readonly atMm: number;
  /** On the shaft, across the axis. */
  readonly n: number;
  /** Its direction, from the right, clockwise in the end view, −180 to 180; null where there is no load. */
  readonly angleDeg: number | null;
}

/** The bending moment at a place of a shaft. */
export interface Bending {
  readonly atMm: number;
  readonly nm: number;
}

export interface ShaftForces {
  readonly bearings: readonly [Reaction, Reaction];
  /** Along the axis on the shaft, by its gears; one of the bearings, or a thrust washer, has to hold it. */
  readonly thrustN: number;
  readonly bendingNm: number;
  /** At bearings and gears, along the axis; where a thrust acts off the axis it jumps, before and after. */
  readonly diagram: readonly Bending[];
}

const MM_PER_M = 1000;

/**
 * What two bearings have to hold, from the balance of forces and of moments about the first: Σ (r − p) × F + (q − p) ×
 * R = 0. No bearing takes a moment, and the thrust is left to whichever holds it.
 */
export function shaftForces([p, q]: readonly [number, number], loads: readonly Load[]): ShaftForces {
  let [momentX, momentY] = [0, 0];
  for (const { force, at } of loads) {
    momentX += at.y * force.z - (at.z - p) * force.y;
    momentY += (at.z - p) * force.x - at.x * force.z;
  }
  const sum = sumOf(loads);
  const atQ = { x: -momentY / (q - p), y: momentX / (q - p) };
  const atP = { x: -sum.x - atQ.x, y: -sum.y - atQ.y };
  const reactions = [
    { force: { ...atP, z: 0 }, at: { x: 0, y: 0, z: p } },
    { force: { ...atQ, z: 0 }, at: { x: 0, y: 0, z: q } },
  ] as const;
  const diagram = bendingAlong([...loads, ...reactions]);
  const nothing = NOTHING * loads.reduce((total, { force }) => total + Math.hypot(force.x, force.y, force.z), 0);
  return {
    bearings: [reactionAt(p, atP, nothing), reactionAt(q, atQ, nothing)],
    thrustN: sum.z,
    bendingNm: diagram.reduce((most, { nm }) => Math.max(most, nm), 0),
    diagram,
  };
}

/** @param nothing what is smaller is what rounding leaves of loads that cancel */
function reactionAt(atMm: number, { x, y }: { readonly x: number; readonly y: number }, nothing: number): Reaction {
  const n = Math.hypot(x, y);
  if (n <= nothing) return { atMm, n: 0, angleDeg: null };
  // −0 is 0.
  return { atMm, n, angleDeg: (Math.atan2(y, x) * 180) / Math.PI + 0 };
}

/** Smaller than this part of all forces together, what is left of them is rounding. */
export const NOTHING = 1e-9;

/** What acts at one place along a shaft: moments about the x and y axes at the origin, and forces across. */
interface Acting {
  momentX: number;
  momentY: number;
  forceX: number;
  forceY: number;
}

/**
 * The moment that what lies before a place, and then with what acts at it, turns the rest of the shaft by: Σ (r − z) ×
 * F, summed from one end to the other.
 */
function bendingAlong(loads: readonly Load[]): readonly Bending[] {
  const sums: Acting = { momentX: 0, momentY: 0, forceX: 0, forceY: 0 };
  const momentAt = (place: number): Bending => ({
    atMm: place,
    nm: Math.hypot(sums.momentX + place * sums.forceY, sums.momentY - place * sums.forceX) / MM_PER_M,
  });
  return actingAt(loads).flatMap(([place, acting]) => {
    const before = momentAt(place);
    sums.momentX += acting.momentX;
    sums.momentY += acting.momentY;
    sums.forceX += acting.forceX;
    sums.forceY += acting.forceY;
    const after = momentAt(place);
    return Math.abs(before.nm - after.nm) > 1e-9 * Math.max(1, before.nm) ? [before, after] : [before];
  });
}

/** Loads added up place by place, from one end to the other. */
function actingAt(loads: readonly Load[]): readonly (readonly [number, Acting])[] {
  const places = new Map<number, Acting>();
  for (const { force, at } of loads) {
    const acting = places.get(at.z) ?? { momentX: 0, momentY: 0, forceX: 0, forceY: 0 };
    places.set(at.z, acting);
    acting.momentX += at.y * force.z - at.z * force.y;
    acting.momentY += at.z * force.x - at.x * force.z;
    acting.forceX += force.x;
    acting.forceY += force.y;
  }
  return [...places].sort(([a], [b]) => a - b);
}

/** Loads that act beyond the bearings, by their places: a wheel there is overhung. */
export const isOverhung = ([p, q]: readonly [number, number], place: number): boolean =>
  place < Math.min(p, q) || place > Math.max(p, q);

/** The force of several loads together. */
export function sumOf(loads: readonly Load[]): Vector {
  let [x, y, z] = [0, 0, 0];
  for (const { force } of loads) {
    x += force.x;
    y += force.y;
    z += force.z;
  }
  return { x, y, z };
}
