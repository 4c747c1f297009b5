import { itemAt } from '../required';
import { FRAME, type PartRef } from '../train';
import { intoWorld, type AxisFrame } from './axis-frames';

/** The room that a part takes while it turns: a ring about an axis, mm. */
export interface SolidRing {
  readonly member: string;
  readonly part: PartRef;
  readonly axis: number;
  readonly z0: number;
  readonly z1: number;
  readonly r0: number;
  readonly r1: number;
  /** The field of the drawing that it fills; two lines meet only where they fill the same. */
  readonly field: string | null;
  /** The member that carries it round. */
  readonly carried: string | null;
  /** Members that it may touch. */
  readonly mates: ReadonlySet<string>;
}

/** Two members that want the same room. */
export interface Touching {
  readonly members: readonly [string, string];
  readonly parts: readonly [PartRef, PartRef];
  /** Where: along the first axis and how far from its own axis, mm. */
  readonly at: { readonly z: number; readonly r: number };
}

/** What overlaps by less is drawn as touching nothing. */
const NEAR = 1e-3;

/** Members whose room overlaps, each pair once. */
export function touching(axes: readonly AxisFrame[], rings: readonly SolidRing[]): readonly Touching[] {
  const found = new Map<string, Touching>();
  const size = Math.max(1e-9, ...rings.map(({ r1 }) => r1));
  const placed = rings
    .filter(({ z0, z1 }) => z1 > z0)
    .map((ring) => ({ ring, from: alongWorld(axes, ring), frame: itemAt(axes, ring.axis) }))
    .sort((a, b) => a.from - b.from);
  placed.forEach((one, i) => {
    const { ring: a } = one;
    for (let k = i + 1; k < placed.length; k++) {
      const two = itemAt(placed, k);
      const { ring: b } = two;
      if (two.from >= one.from + (a.z1 - a.z0) - NEAR * size) break;
      if (a.member === b.member || isExpected(a, b)) continue;
      const key = [a.member, b.member].sort().join('|');
      if (found.has(key)) continue;
      const apart = a.axis === b.axis ? 0 : distance(one.frame, two.frame);
      if (apart === null || !overlaps(a, b, apart, NEAR * size)) continue;
      found.set(key, {
        members: [a.member, b.member],
        parts: [a.part, b.part],
        at: { z: two.from, r: Math.max(a.r0, b.r0) },
      });
    }
  });
  return [...found.values()];
}

/** Would a ring want room that another one takes? */
export function isInTheWay(axes: readonly AxisFrame[], ring: SolidRing, other: SolidRing): boolean {
  const [from, otherFrom] = [alongWorld(axes, ring), alongWorld(axes, other)];
  const near = NEAR * ring.r1;
  if (otherFrom >= from + ring.z1 - ring.z0 - near || from >= otherFrom + other.z1 - other.z0 - near) return false;
  const apart = ring.axis === other.axis ? 0 : distance(itemAt(axes, ring.axis), itemAt(axes, other.axis));
  return apart !== null && overlaps(ring, other, apart, near);
}

const alongWorld = (axes: readonly AxisFrame[], { axis, z0 }: SolidRing): number =>
  intoWorld(itemAt(axes, axis), [0, 0, z0])[2];

/** Mates, a planet and its carrier, planets of one carrier, and lines that the drawing keeps apart. */
function isExpected(a: SolidRing, b: SolidRing): boolean {
  if (a.mates.has(b.member) || b.mates.has(a.member)) return true;
  if (a.carried === b.member || b.carried === a.member) return true;
  if (a.carried !== null && a.carried === b.carried) return true;
  if (a.member === FRAME && b.member === FRAME) return true;
  return a.axis === b.axis && a.field !== null && b.field !== null && a.field !== b.field;
}

/** From axis to axis where they are parallel; null where they are not. */
function distance(a: AxisFrame, b: AxisFrame): number | null {
  const along = a.directions[2].reduce((sum, value, i) => sum + value * itemAt(b.directions[2], i), 0);
  if (Math.abs(along) < 1 - 1e-9) return null;
  return Math.hypot(a.origin[0] - b.origin[0], a.origin[1] - b.origin[1]);
}

function overlaps(a: SolidRing, b: SolidRing, apart: number, near: number): boolean {
  if (apart === 0) return Math.min(a.r1, b.r1) - Math.max(a.r0, b.r0) > near;
  const isWithin = (inner: SolidRing, outer: SolidRing) => apart + inner.r1 <= outer.r0 + near;
  return a.r1 + b.r1 - apart > near && !isWithin(a, b) && !isWithin(b, a);
}
