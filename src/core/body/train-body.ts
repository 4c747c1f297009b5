import { layOut, SPACES, type DrawingOptions, type Layout } from '../drawing';
import { itemAt, lookUp } from '../required';
import { refuse, type Result, accept } from '../result';
import type { Train } from '../train';
import { standingWheels, type StandingWheel } from './arrangement';
import { axisFrames, type AxisFrame } from './axis-frames';
import { addAxis } from './axis-body';
import type { AxisWork } from './axis-work';
import { addBearings } from './bearings';
import type { BodyNode, TrainBody } from './body-node';
import { addChains } from './chains';
import { columnBorders, type Walls } from './columns';
import { detailFor, plainDetail, type Detail } from './detail';
import { NodeBook } from './node-book';
import { radiiOf, type PinPlace } from './radii';
import { sectionPlan } from './section-plan';
import { slidingWheels } from './sliding';
import { RoomTaken } from './touching';
import { webSides } from './webs';
import { wheelSizes, type WheelSizes } from './wheel-sizes';

/** Told how much is done, of so much. */
export type Progress = (done: number, of: number) => void;

/**
 * The train as a body. The side view is a half section: every axis' half plane is turned about its axis, with wheels as
 * they are cut in their places, so what is drawn without crossing is built without touching. The order of the figures
 * is the drawing's.
 */
export function bodyOf(
  train: Train,
  options: Pick<DrawingOptions, 'order' | 'drafts' | 'effort'> = {},
  tell: Progress = () => undefined,
): Result<TrainBody> {
  const layout = layOut(train, SPACES.bench, options);
  if (!layout.ok) return refuse(layout.why);
  const sizes = wheelSizes(train);
  const wheels = standingWheels(
    train,
    layout.order.map(({ key }) => key),
  );
  const walls = wallsFor(sizes);
  const columns = columnBorders(layout, sizes.of, walls);
  const pinOf = pinsOf(wheels, sizes, train);
  const radii = new Map(
    layout.halfPlanes.map((half) => [half.plane.axis, radiiOf(half, sizes.of, pinOf, walls)] as const),
  );
  const middleOf = middles(layout, columns);
  const webs = webSides(train, layout.halfPlanes);
  const axes = axisFrames(train, sizes, middleOf);
  const make = (detail: Detail, done: (axes: number) => void) => {
    const book = new NodeBook();
    const works = layout.halfPlanes.map((half): AxisWork => ({
      train,
      axis: half.plane.axis,
      half,
      columns,
      sizes,
      walls,
      detail,
      pinOf,
      radii: lookUp(radii, half.plane.axis),
      wheels,
      webs,
      isAlone: itemAt(layout.plan.axes, half.plane.axis).length === 1,
    }));
    const rings = works.flatMap((work, i) => {
      done(i);
      return addAxis(book, work);
    });
    const room = new RoomTaken(axes, rings);
    for (const work of works) addBearings(book, work, room);
    addChains(book, train, { axes, sizes, middleOf, detail });
    return { ...book.finish(), room };
  };
  const teeth = wheels.reduce((sum, { wheel }) => sum + wheel.teeth, 0);
  const count = layout.halfPlanes.length;
  const fine = make(detailFor(teeth), (done) => tell(done, 2 * count));
  const plain = make(plainDetail(), (done) => tell(count + done, 2 * count));
  return accept({
    axes,
    main: mainAxis(axes, fine.nodes, layout.plan.axisOf.get(train.input) ?? 0),
    surfaces: fine.surfaces,
    nodes: fine.nodes,
    plain: plain.surfaces,
    figures: figuresOf(layout, columns),
    isTrue: sizes.areTrue,
    touching: fine.room.touching(),
    sliding: slidingWheels(train, fine.nodes, wheels),
    section: sectionPlan(layout, columns, (axis) => radii.get(axis)),
  });
}

function mainAxis(axes: readonly AxisFrame[], nodes: readonly BodyNode[], input: number): number {
  const planets = axes.map(({ directions }, i) =>
    directions[2][2] > 0.5 ? nodes.filter(({ axis, carried }) => carried && axis === i).length : 0,
  );
  const most = Math.max(...planets);
  return most > 0 ? planets.indexOf(most) : input;
}

/** Walls that suit the teeth. */
const wallsFor = ({ module }: WheelSizes): Walls => ({ wall: 2.4 * module, gap: 1.2 * module });

/** Pins are as thick as the smallest wheel of their planet lets them. */
function pinsOf(wheels: readonly StandingWheel[], sizes: WheelSizes, train: Train): PinPlace {
  const orbits = new Map(
    wheels.flatMap(({ wheel }) => (wheel.orbit ? [[wheel.member, wheel.orbit.radius] as const] : [])),
  );
  return (planet) => {
    const own = train.gears.filter((gear) => gear.member === planet);
    const least = Math.min(...own.map(({ id, bore }) => (bore === undefined ? 0.5 * sizes.of(id).inner : bore / 2)));
    return { orbit: lookUp(orbits, planet), radius: 0.85 * least };
  };
}

/** Middle of every gear that stands on an axis. */
function middles({ halfPlanes }: Layout, columns: readonly number[]): (gear: string) => number {
  const middle = new Map(
    halfPlanes.flatMap(({ plane }) =>
      plane.bodies.map(({ gear, x, end }) => [
        gear.id as string,
        (itemAt(columns, 2 * x) + itemAt(columns, 2 * end + 1)) / 2,
      ]),
    ),
  );
  return (gear) => middle.get(gear) ?? 0;
}

/** From where to where each figure stands, over all axes. */
function figuresOf({ order, halfPlanes }: Layout, columns: readonly number[]): readonly (readonly [number, number])[] {
  return order.flatMap((figure) => {
    const own = new Set(
      (figure.kind === 'bars'
        ? figure.gears
        : figure.kind === 'bevel'
          ? [figure.left, figure.planet, figure.right]
          : figure.planes.flatMap(({ sun, planets, ring }) => [sun, ...planets, ring])
      ).flatMap((gear) => (gear ? [gear.id as string] : [])),
    );
    const stands = halfPlanes.flatMap(({ plane }) => plane.bodies.filter(({ gear }) => own.has(gear.id)));
    if (stands.length === 0) return [];
    const from = Math.min(...stands.map(({ x }) => x));
    const to = Math.max(...stands.map(({ end }) => end));
    return [[itemAt(columns, 2 * from), itemAt(columns, 2 * to + 1)] as const];
  });
}
