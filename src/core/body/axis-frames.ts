import { placesOfAxes, type AxisPlace } from '../end-view';
import { itemAt, lookUp, required } from '../required';
import { structureOf } from '../structure';
import { components, partsById, type Gear, type Mesh, type Train } from '../train';
import type { WheelSizes } from './wheel-sizes';

/** Three numbers: to the right, down and away from who looks along the first axis from its left end. */
export type Vector = readonly [number, number, number];

/** Where an axis lies: what is at (x, y, z) of its own stands at origin + x·X + y·Y + z·Z; Z runs along the axis. */
export interface AxisFrame {
  readonly origin: Vector;
  readonly directions: readonly [Vector, Vector, Vector];
  /** Which way its members are seen to turn where their sense of rotation is above 0: about Z, or against it. */
  readonly spin: 1 | -1;
}

/** Middle of a gear along its own axis, mm. */
export type MiddleOf = (gear: string) => number;

/**
 * The frames of all axes. Parallel axes stand where the end view has them; where a worm or a pair of bevel gears turns
 * a corner, the axes beyond stand across: a worm's under its wheel, a bevel gear's where both cones meet. What a
 * member's sign says of its turning is then made to agree with teeth that roll on each other.
 */
export function axisFrames(train: Train, sizes: WheelSizes, middleOf: MiddleOf): readonly AxisFrame[] {
  const { axes, axisOf } = structureOf(train);
  const places = placesOfAxes(train);
  const parts = partsById(train);
  const meshes = train.meshes.flatMap((mesh) => {
    const [a, b] = parts.pair(mesh);
    const [one, two] = [axisOf.get(a.member), axisOf.get(b.member)];
    return one === undefined || two === undefined || one === two
      ? []
      : [{ mesh, a, b, one, two, turns: isCorner(a, b) }];
  });
  const groups = components(
    axes.map((_, axis) => axis),
    meshes.flatMap(({ one, two, turns }) => (turns ? [] : [[one, two] as const])),
  );
  const groupOf = new Map(groups.flatMap((group, i) => group.map((axis) => [axis, i] as const)));
  const home = lookUp(groupOf, axisOf.get(train.input) ?? 0);
  const placed = new Map<number, AxisFrame>([[home, HOME]]);
  const corners = meshes.filter(({ turns }) => turns);
  for (let before = 0; before !== placed.size;) {
    before = placed.size;
    for (const { mesh, a, b, one, two } of corners) {
      const [ga, gb] = [lookUp(groupOf, one), lookUp(groupOf, two)];
      const [near, far] = placed.has(ga) ? [a, b] : [b, a];
      const known = placed.get(placed.has(ga) ? ga : gb);
      const open = placed.has(ga) ? gb : ga;
      if (!known || placed.has(open)) continue;
      const at = (gear: Gear) => placeOf(itemAt(places, required(axisOf.get(gear.member))), middleOf(gear.id));
      placed.set(open, roundCorner(mesh, near, far, at(near), at(far), known, sizes));
    }
  }
  return axes.map((_, axis) => {
    const group = placed.get(lookUp(groupOf, axis)) ?? HOME;
    const { x, y } = itemAt(places, axis);
    return { ...group, origin: intoWorld(group, [x, y, 0]) };
  });
}

const HOME: AxisFrame = {
  origin: [0, 0, 0],
  directions: [
    [1, 0, 0],
    [0, 1, 0],
    [0, 0, 1],
  ],
  spin: 1,
};

const isCorner = (a: Gear, b: Gear): boolean => [a, b].some(({ type }) => type === 'worm' || type === 'bevel');

const placeOf = ({ x, y }: AxisPlace, z: number): Vector => [x, y, z];

/** Where a place of a frame's own is. */
export function intoWorld({ origin, directions: [X, Y, Z] }: AxisFrame, [x, y, z]: Vector): Vector {
  return [0, 1, 2].map(
    (i) => itemAt(origin, i) + x * itemAt(X, i) + y * itemAt(Y, i) + z * itemAt(Z, i),
  ) as unknown as Vector;
}

/** The frame of the axes beyond a corner, from where the gear this side of it stands. */
function roundCorner(
  mesh: Mesh,
  near: Gear,
  far: Gear,
  at: Vector,
  farAt: Vector,
  known: AxisFrame,
  sizes: WheelSizes,
): AxisFrame {
  const [X, Y, Z] = known.directions;
  const sense = mesh.sense === 'opposite' ? -1 : 1;
  const [r, s] = [sizes.of(near.id).pitch, sizes.of(far.id).pitch];
  if (near.type === 'bevel' && far.type === 'bevel') {
    // Both cones meet behind the face of the nearer gear; there the other axis goes through, downward.
    const centre = intoWorld(known, [at[0], at[1] + r, at[2] + s]);
    const directions = [X, opposite(Z), Y] as const;
    return framed(directions, centre, farAt, signOf(known.spin * sense));
  }
  const isWheel = near.type !== 'worm';
  const centre = intoWorld(known, [at[0], at[1] + (isWheel ? r + s : -r - s), at[2]]);
  const directions = isWheel ? ([opposite(Z), Y, X] as const) : ([Z, Y, opposite(X)] as const);
  return framed(directions, centre, farAt, known.spin);
}

const opposite = ([x, y, z]: Vector): Vector => [-x, -y, -z];
const signOf = (value: number): 1 | -1 => (value < 0 ? -1 : 1);

/** The frame with these directions in which a place of its own comes to stand at a given one. */
function framed(directions: AxisFrame['directions'], stands: Vector, own: Vector, spin: 1 | -1): AxisFrame {
  const from = intoWorld({ origin: [0, 0, 0], directions, spin }, own);
  return { origin: stands.map((value, i) => value - itemAt(from, i)) as unknown as Vector, directions, spin };
}
