import { polar, type Loop } from '../shapes';
import type { Coupler } from '../train';
import { circleAt, type Detail } from './detail';
import type { SurfaceBuilder } from './surface';
import { addTurned, ringSection } from './turned';
import { addBar, addSector, APART } from './wheel-surfaces';

/** The room that a coupler has: along the axis and out from it, mm. */
export interface CouplerRoom {
  readonly z0: number;
  readonly z1: number;
  readonly r0: number;
  readonly r1: number;
  /** Where its first member comes from: one side along the axis, inside or outside. */
  readonly first: 'left' | 'right' | 'inside' | 'outside';
}

/** What the second half does when it lets go, from where it stands when it holds. */
export interface LettingGo {
  /** Along the axis, mm. */
  readonly along: number;
  /** Outward, as a part of its radius. */
  readonly wider: number;
}

/** A coupler between two members. */
export type Joint = Extract<Coupler, { readonly joins: unknown }>;

const PAIRS = 3;

/**
 * Both halves of a coupler as they stand when it holds, each on its own member; says how the second one lets go. Plates
 * are pressed by turns, dogs stand in each other's gaps, rollers between two rings, a band round its drum.
 */
export function addCoupler(
  first: SurfaceBuilder,
  second: SurfaceBuilder,
  { type, style }: Joint,
  room: CouplerRoom,
  detail: Detail,
): LettingGo {
  const across = room.first === 'inside' || room.first === 'outside';
  if (style === 'band') return addBand(first, second, room, detail);
  if (style === 'dog' || style === 'synchro' || style === 'pin')
    return addDogs(first, second, room, detail, style === 'synchro' ? [18, 18] : style === 'pin' ? [4, 4] : [8, 8]);
  if (style === 'pawl') return addDogs(first, second, room, detail, [12, 3]);
  if (type === 'one-way' || style === 'roller') return addRollers(first, second, room, detail);
  return across ? addPlates(first, second, room, detail) : addDiscs(first, second, room, detail);
}

/** A pack: plates of one member from outside, of the other from inside, by turns. */
function addPlates(
  first: SurfaceBuilder,
  second: SurfaceBuilder,
  { z0, z1, r0, r1, first: side }: CouplerRoom,
  { sides }: Detail,
): LettingGo {
  const pitch = (z1 - z0) / PAIRS;
  const slack = 0.3 * pitch;
  const plate = (pitch - slack) / 2;
  const overlap = 0.18 * (r1 - r0);
  const [outside, inside] = side === 'outside' ? [first, second] : [second, first];
  for (let k = 0; k < PAIRS; k++) {
    const z = z0 + k * pitch;
    const [own, other] = [
      [z + APART * pitch, z + plate],
      [z + plate + APART * pitch, z + 2 * plate],
    ] as const;
    const [ofFirst, ofSecond] = side === 'outside' ? ([own, other] as const) : ([other, own] as const);
    addTurned(outside, ringSection(ofFirst[0], ofFirst[1], r0 + overlap, r1 - APART * (r1 - r0)), sides);
    addTurned(inside, ringSection(ofSecond[0], ofSecond[1], r0 + APART * (r1 - r0), r1 - overlap), sides);
  }
  // The second one's plates come after the first one's, and have the slack behind them.
  return { along: 0.5 * slack, wider: 0 };
}

/** Both halves face to face. */
function halves({ z0, z1, first }: CouplerRoom): {
  readonly middle: number;
  readonly firstIsLeft: boolean;
  readonly way: 1 | -1;
} {
  const firstIsLeft = first !== 'right';
  return { middle: (z0 + z1) / 2, firstIsLeft, way: firstIsLeft ? 1 : -1 };
}

function addDiscs(first: SurfaceBuilder, second: SurfaceBuilder, room: CouplerRoom, { sides }: Detail): LettingGo {
  const { middle, firstIsLeft, way } = halves(room);
  const { z0, z1, r0, r1 } = room;
  const slack = 0.12 * (z1 - z0);
  const [left, right] = firstIsLeft ? [first, second] : [second, first];
  // Behind the second one there is room for it to let go.
  const [fromEnd, toEnd] = firstIsLeft ? [z0 + APART, z1 - slack] : [z0 + slack, z1 - APART];
  addTurned(left, ringSection(fromEnd, middle - APART, r0, r1), sides);
  addTurned(right, ringSection(middle + APART, toEnd, r0, r1), sides);
  return { along: way * slack * 0.9, wider: 0 };
}

function addDogs(
  first: SurfaceBuilder,
  second: SurfaceBuilder,
  room: CouplerRoom,
  { sides }: Detail,
  counts: readonly [number, number],
): LettingGo {
  const { middle, way } = halves(room);
  const { z0, z1, r0, r1 } = room;
  const deep = 0.16 * (z1 - z0);
  const ends = way > 0 ? ([z0, z1] as const) : ([z1, z0] as const);
  const between = (a: number, b: number) => ({ from: Math.min(a, b), to: Math.max(a, b) });
  const ring = (surface: SurfaceBuilder, end: number, face: number) => {
    const { from, to } = between(end, face);
    addTurned(surface, ringSection(from + APART, to - APART, r0, r1), sides);
  };
  const faces = [middle - way * deep * 0.55, middle + way * deep * 0.55] as const;
  ring(first, ends[0], faces[0]);
  ring(second, ends[1] - way * deep * 1.2, faces[1]);
  const dog = (surface: SurfaceBuilder, face: number, towards: number, count: number, offset: number) => {
    const pitch = (2 * Math.PI) / count;
    const wide = 0.36 * Math.min(pitch, (2 * Math.PI) / Math.max(...counts));
    for (let i = 0; i < count; i++)
      addSector(surface, {
        ...between(face + APART * towards, face + towards * deep),
        r0: r0 + 0.1 * (r1 - r0),
        r1: r1 - 0.1 * (r1 - r0),
        angle: pitch * i + offset,
        wide,
      });
  };
  dog(first, faces[0], way, counts[0], 0);
  dog(second, faces[1], -way, counts[1], Math.PI / Math.max(...counts));
  return { along: way * deep * 1.1, wider: 0 };
}

/** Rollers between two rings: they hold one way and run free the other, and nothing is seen to let go. */
function addRollers(first: SurfaceBuilder, second: SurfaceBuilder, room: CouplerRoom, detail: Detail): LettingGo {
  const { z0, z1, r0, r1, first: side } = room;
  const across = side === 'inside' || side === 'outside';
  const high = r1 - r0;
  const count = 10;
  if (across) {
    const [inside, outside] = side === 'inside' ? [first, second] : [second, first];
    addTurned(inside, ringSection(z0, z1, r0 + APART * (r1 - r0), r0 + 0.28 * high), detail.sides);
    addTurned(outside, ringSection(z0, z1, r1 - 0.28 * high, r1 - APART * (r1 - r0)), detail.sides);
    for (let i = 0; i < count; i++) {
      const { x, y } = polar(r0 + 0.5 * high, (2 * Math.PI * i) / count);
      addBar(inside, circleAt(0.2 * high, x, y), z0 + 0.1 * (z1 - z0), z1 - 0.1 * (z1 - z0));
    }
    return HOLDS;
  }
  const long = z1 - z0;
  const [left, right] = side === 'left' ? [first, second] : [second, first];
  addTurned(left, ringSection(z0 + APART, z0 + 0.3 * long, r0, r1), detail.sides);
  addTurned(right, ringSection(z1 - 0.3 * long, z1 - APART, r0, r1), detail.sides);
  for (let i = 0; i < count; i++) {
    const { x, y } = polar(r0 + 0.5 * high, (2 * Math.PI * i) / count);
    addBar(left, circleAt(0.3 * high, x, y), z0 + 0.33 * long, z1 - 0.33 * long);
  }
  return HOLDS;
}

const HOLDS: LettingGo = { along: 0, wider: 0 };

/** A drum, and round it a band that is open at one place. */
function addBand(first: SurfaceBuilder, second: SurfaceBuilder, room: CouplerRoom, { sides }: Detail): LettingGo {
  const { z0, z1, r0, r1, first: side } = room;
  const middle = r0 + 0.6 * (r1 - r0);
  const inward = side !== 'outside';
  const [drum, band] = inward ? [first, second] : [second, first];
  addTurned(drum, ringSection(z0 + APART, z1 - APART, r0 + APART * (r1 - r0), middle), sides);
  const steps = Array.from({ length: sides + 1 }, (_, i) => (2 * Math.PI * 0.96 * i) / sides + 0.04 * Math.PI);
  // Its chords, too, stay off the drum.
  const inner = (middle + 2 * APART * (r1 - r0)) / Math.cos((0.96 * Math.PI) / sides);
  const outline: Loop = [
    ...steps.map((at) => polar(middle + 0.35 * (r1 - r0), at)),
    ...[...steps].reverse().map((at) => polar(inner, at)),
  ];
  addBar(band, outline, z0 + 0.1 * (z1 - z0), z1 - 0.1 * (z1 - z0));
  const wider = (0.2 * (r1 - r0)) / middle;
  return { along: 0, wider: inward ? wider : 0 };
}
