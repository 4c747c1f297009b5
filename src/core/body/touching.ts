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
  /** Gears in whose teeth a toothed part stands. */
  readonly mates: ReadonlySet<string>;
  /** Members that a coupler joins, which meet in it. */
  readonly joins: ReadonlySet<string>;
}

/** Two members that want the same room. */
export interface Touching {
  readonly members: readonly [string, string];
  readonly parts: readonly [PartRef, PartRef];
  /** Where: along the first axis and how far from its own axis, mm. */
  readonly at: { readonly z: number; readonly r: number };
}

/** What overlaps by less of the whole train's size is taken for nothing. */
const NEAR = 1e-3;

interface Placed {
  readonly ring: SolidRing;
  /** Along the first axis, mm. */
  readonly from: number;
  readonly to: number;
}

/** The room that everything in a train takes, in order along the first axis. */
export class RoomTaken {
  private readonly placed: readonly Placed[];
  private readonly near: number;
  private readonly longest: number;

  constructor(
    private readonly axes: readonly AxisFrame[],
    rings: readonly SolidRing[],
  ) {
    this.near = NEAR * Math.max(1e-9, ...rings.map(({ r1 }) => r1));
    this.placed = rings
      .filter(({ z0, z1 }) => z1 > z0)
      .map((ring) => this.place(ring))
      .sort((a, b) => a.from - b.from);
    this.longest = Math.max(0, ...this.placed.map(({ from, to }) => to - from));
  }

  /** Members whose room overlaps, each pair once: where wheels of theirs do, else where the first parts do. */
  touching(): readonly Touching[] {
    const found = new Map<string, Touching>();
    this.placed.forEach(({ ring: a, to }, i) => {
      for (let k = i + 1; k < this.placed.length; k++) {
        const { ring: b, from } = itemAt(this.placed, k);
        if (from >= to - this.near) break;
        if (a.member === b.member || !this.overlap(a, b) || isExpected(a, b)) continue;
        const key = [a.member, b.member].sort().join('|');
        const known = found.get(key);
        if (known && (areWheels(...known.parts) || !areWheels(a.part, b.part))) continue;
        found.set(key, {
          members: [a.member, b.member],
          parts: [a.part, b.part],
          at: { z: from, r: Math.max(a.r0, b.r0) },
        });
      }
    });
    return [...found.values()];
  }

  /** Would a ring want no room that anything takes? */
  isFree(ring: SolidRing): boolean {
    const { from, to } = this.place(ring);
    let [low, high] = [0, this.placed.length];
    while (low < high) {
      const middle = (low + high) >> 1;
      if (itemAt(this.placed, middle).from < from - this.longest) low = middle + 1;
      else high = middle;
    }
    for (let k = low; k < this.placed.length; k++) {
      const other = itemAt(this.placed, k);
      if (other.from >= to - this.near) return true;
      if (other.to > from + this.near && this.overlap(ring, other.ring)) return false;
    }
    return true;
  }

  private place(ring: SolidRing): Placed {
    const from = intoWorld(itemAt(this.axes, ring.axis), [0, 0, ring.z0])[2];
    return { ring, from, to: from + ring.z1 - ring.z0 };
  }

  private overlap(a: SolidRing, b: SolidRing): boolean {
    const [one, other] = [itemAt(this.axes, a.axis), itemAt(this.axes, b.axis)];
    if (a.axis !== b.axis && isBeyond(one, other, a.r1 + b.r1)) return false;
    const apart = a.axis === b.axis ? 0 : distance(one, other);
    return apart !== null && overlaps(a, b, apart, this.near);
  }
}

/** Wheels have the sizes that are given; how far out anything else goes is the drawing's. */
export const areWheels = (...parts: readonly PartRef[]): boolean => parts.every(({ kind }) => kind === 'gear');

/**
 * Teeth in each other, a coupler and what it joins, a planet and its carrier, planets of one carrier, and lines that
 * the drawing keeps apart.
 */
function isExpected(a: SolidRing, b: SolidRing): boolean {
  if (a.mates.has(b.part.id) && b.mates.has(a.part.id)) return true;
  if (a.joins.has(b.member) || b.joins.has(a.member)) return true;
  if (a.carried === b.member || b.carried === a.member) return true;
  if (a.carried !== null && a.carried === b.carried) return true;
  if (a.member === FRAME && b.member === FRAME) return true;
  return a.axis === b.axis && a.field !== null && b.field !== null && a.field !== b.field;
}

/** Are parallel axes further from each other than this? Most are: told without a root. */
function isBeyond({ origin: [ax, ay] }: AxisFrame, { origin: [bx, by] }: AxisFrame, far: number): boolean {
  return (ax - bx) ** 2 + (ay - by) ** 2 >= far ** 2;
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
