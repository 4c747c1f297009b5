import { modelOf } from '../model';
import { structureOf, type Structure, type Figure, type SetPlane } from '../structure';
import type { Gear, Train } from '../train';
import { axisPlaces, type Disc, type AxisPlace, type Spacing } from './axis-places';
import { axisLines, centreDistance, gearModules, geometryOf, pitchRadius } from '../geometry';
import type { WheelMesh } from './phases';
import type { EndViewGear } from './wheels';
import { isChained, partsById } from '../train';
import { itemAt, lookUp } from '../required';

/** One cut across the train, seen along the axes. */
export interface Station {
  /** The figure of the side view that it cuts, and which of its planes. */
  readonly key: string;
  readonly figure: string;
  readonly wheels: readonly EndViewGear[];
  readonly meshes: readonly WheelMesh[];
  /** Chains and belts between wheels. */
  readonly chains: readonly WheelMesh[];
  /** Everything in it, whatever turns. */
  readonly bounds: { readonly left: number; readonly right: number; readonly top: number; readonly bottom: number };
}

/** Planets drawn where the document does not say how many there are. */
const PLANETS = 3;
const BEVEL_PLANETS = 2;

/** All stations, in the order of the side view's figures. */
export function endView(train: Train, order: readonly string[]): readonly Station[] {
  const plan = structureOf(train);
  const sizes = sizesOf(plan);
  const places = placesOfAxes(train);
  const figures = [...plan.figures].sort((a, b) => order.indexOf(a.key) - order.indexOf(b.key));
  return figures.flatMap((figure) =>
    cuts(figure).map((cut, i) => stationOf(plan, figure, `${figure.key} ${i}`, cut, sizes, places)),
  );
}

/** Where the axes of a train lie, in the order of its structure, seen along them. */
export const placesOfAxes = (train: Train): readonly AxisPlace[] => modelOf(train).derive(findPlaces);

function findPlaces(train: Train): readonly AxisPlace[] {
  const plan = structureOf(train);
  return placesOf(plan, sizesOf(plan));
}

function sizesOf(plan: Structure): Sizes {
  const { train } = plan;
  const modules = gearModules(train, axisLines(plan));
  return {
    modules,
    radius: (gear) => pitchRadius(gear, lookUp(modules, gear.id)),
    apart: distancesOf(train, modules),
  };
}

interface Sizes {
  readonly modules: ReadonlyMap<string, number>;
  readonly radius: (gear: Gear) => number;
  /** From centre to centre of two that mesh. */
  readonly apart: (a: Gear, b: Gear) => number;
}

/** As pairs run; where sizes are not known, as their pitch circles touch. */
function distancesOf(train: Train, modules: Sizes['modules']): Sizes['apart'] {
  const geometry = geometryOf(train);
  const running = new Map(
    train.meshes.flatMap(({ id, gears }) => {
      const centre = geometry.mesh(id)?.running.centreMm;
      return centre === undefined ? [] : [[[...gears].sort().join('|'), centre] as const];
    }),
  );
  return (a, b) => running.get([a.id, b.id].sort().join('|')) ?? centreDistance(a, b, lookUp(modules, a.id));
}

/** The gears that one cut shows: those on fixed axes, and those on planets. */
interface Cut {
  readonly fixed: readonly Gear[];
  readonly planets: readonly Gear[];
}

function cuts(figure: Figure): Cut[] {
  if (figure.kind === 'bars') return figure.planes.map((fixed) => ({ fixed, planets: [] }));
  if (figure.kind === 'bevel')
    return [figure.left, figure.right].map((side) => ({ fixed: [side], planets: [figure.planet] }));
  return figure.planes.map(({ sun, ring, planets }: SetPlane) => ({
    fixed: [sun, ring].filter((gear) => gear !== null),
    planets,
  }));
}

/** From the pitch circle to the tips, and a little room, in modules. */
const TIPS = 1.5;

function placesOf(plan: Structure, { modules, radius, apart }: Sizes): readonly AxisPlace[] {
  const parts = partsById(plan.train);
  const spacings: Spacing[] = [];
  for (const mesh of plan.train.meshes) {
    const [first, second] = parts.pair(mesh);
    const [a, b] = [plan.axisOf.get(first.member), plan.axisOf.get(second.member)];
    // A worm's shaft lies across its wheel's: it says nothing of where the shafts stand in this view.
    if (
      a === undefined ||
      b === undefined ||
      a === b ||
      first.type === 'worm' ||
      second.type === 'worm' ||
      spacings.some((known) => (known.a === a && known.b === b) || (known.a === b && known.b === a))
    )
      continue;
    spacings.push({ a, b, distance: apart(first, second) });
  }
  const discs = plan.figures.flatMap((figure): Disc[] =>
    cuts(figure).flatMap(({ fixed }, i) =>
      fixed.flatMap((gear) => {
        const axis = plan.axisOf.get(gear.member);
        return axis === undefined
          ? []
          : [
              {
                axis,
                station: figure.kind === 'bars' ? `${figure.key} ${i}` : figure.key,
                radius: radius(gear) + TIPS * lookUp(modules, gear.id),
                hollow: gear.type === 'internal',
              },
            ];
      }),
    ),
  );
  return axisPlaces(plan.axes.length, spacings, discs);
}

function stationOf(
  plan: Structure,
  figure: Figure,
  key: string,
  { fixed, planets }: Cut,
  { modules, radius, apart }: Sizes,
  places: readonly AxisPlace[],
): Station {
  const wheelOf = (gear: Gear, copy: number, centre: AxisPlace, orbit: EndViewGear['orbit']): EndViewGear => ({
    gear: gear.id,
    member: gear.member,
    teeth: gear.teeth,
    shape: shapeOf(gear, orbit !== null),
    module: lookUp(modules, gear.id) / leaning(gear),
    shift: (gear.shift ?? 0) * leaning(gear),
    radius: radius(gear),
    copy,
    centre,
    orbit,
  });
  const origin = figure.kind === 'bars' ? null : itemAt(places, figure.axis);
  const placeOf = (gear: Gear) => origin ?? itemAt(places, lookUp(plan.axisOf, gear.member));
  const wheels = fixed.map((gear) =>
    wheelOf(
      gear,
      0,
      gear.type === 'worm' ? besideMate(plan.train, gear, fixed, modules, placeOf) : placeOf(gear),
      null,
    ),
  );
  if (origin && figure.kind !== 'bars') {
    const orbits = orbitsOf(figure, radius, apart);
    const count =
      partsById(plan.train).find.member(planets[0]?.member)?.copies ??
      (figure.kind === 'bevel' ? BEVEL_PLANETS : PLANETS);
    for (let copy = 0; copy < count; copy++) {
      for (const gear of planets) {
        const { distance, angle } = lookUp(orbits, gear.member);
        wheels.push(
          wheelOf(gear, copy, origin, {
            carrier: figure.carrier,
            radius: distance,
            angle: angle + (copy * 2 * Math.PI) / count - Math.PI / 2,
          }),
        );
      }
    }
  }
  const shown = meshesOf(plan.train, wheels);
  const parts = partsById(plan.train);
  const isChain = ({ a }: WheelMesh) => isChained(parts.gear(itemAt(wheels, a).gear));
  return {
    key,
    figure: figure.key,
    wheels,
    meshes: shown.filter((mesh) => !isChain(mesh)),
    chains: shown.filter(isChain),
    bounds: boundsOf(wheels),
  };
}

/** How much shorter a length across the tooth is than across the axis: cos β. */
const leaning = ({ type, helix = 0 }: Gear): number =>
  type === 'external' || type === 'internal' ? Math.cos((helix * Math.PI) / 180) : 1;

/** A worm lies under its wheel. */
function besideMate(
  train: Train,
  worm: Gear,
  fixed: readonly Gear[],
  modules: Sizes['modules'],
  placeOf: (gear: Gear) => AxisPlace,
): AxisPlace {
  const mate = fixed.find((gear) =>
    train.meshes.some(({ gears }) => gears.includes(worm.id) && gears.includes(gear.id) && gear !== worm),
  );
  if (!mate) return placeOf(worm);
  const { x, y } = placeOf(mate);
  return { x, y: y + centreDistance(worm, mate, lookUp(modules, worm.id)) };
}

const shapeOf = (gear: Gear, carried: boolean): EndViewGear['shape'] =>
  gear.type === 'internal'
    ? 'ring'
    : gear.type === 'worm'
      ? 'worm'
      : gear.type === 'pulley'
        ? 'smooth'
        : gear.type === 'bevel' && carried
          ? 'bevel planet'
          : 'toothed';

/**
 * How far from the axis each planet of a set turns, and at what angle behind the first. Planets that mesh with each
 * other stand in a triangle.
 */
function orbitsOf(
  figure: Exclude<Figure, { kind: 'bars' }>,
  radius: Sizes['radius'],
  distance: Sizes['apart'],
): ReadonlyMap<string, { distance: number; angle: number }> {
  if (figure.kind === 'bevel') return new Map([[figure.planet.member, { distance: radius(figure.left), angle: 0 }]]);
  const orbits = new Map<string, { distance: number; angle: number }>();
  for (const { sun, planets, ring } of figure.planes) {
    const [inner, outer = inner] = planets;
    if (sun && inner && !orbits.has(inner.member))
      orbits.set(inner.member, { distance: distance(sun, inner), angle: 0 });
    if (ring && outer && !orbits.has(outer.member))
      orbits.set(outer.member, { distance: distance(ring, outer), angle: 0 });
  }
  for (const {
    planets: [inner, outer],
  } of figure.planes) {
    if (!inner || !outer) continue;
    const apart = distance(inner, outer);
    const near = orbits.get(inner.member) ?? {
      distance: Math.max(0, lookUp(orbits, outer.member).distance - apart),
      angle: 0,
    };
    const far = orbits.get(outer.member) ?? { distance: near.distance + apart, angle: 0 };
    const cosine = (near.distance ** 2 + far.distance ** 2 - apart ** 2) / (2 * near.distance * far.distance);
    orbits.set(inner.member, near);
    orbits.set(outer.member, {
      distance: far.distance,
      angle: near.angle + Math.acos(Math.min(1, Math.max(-1, cosine))),
    });
  }
  return orbits;
}

/** The pairs of wheels whose teeth are in each other: of equal planets, those of one copy. */
function meshesOf(train: Train, wheels: readonly EndViewGear[]): WheelMesh[] {
  return train.meshes.flatMap(({ id, gears: [first, second] }) =>
    wheels.flatMap((wheel, a) =>
      wheel.gear !== first
        ? []
        : wheels.flatMap((other, b) =>
            other.gear === second && (!wheel.orbit || !other.orbit || wheel.copy === other.copy)
              ? [{ a, b, mesh: id }]
              : [],
          ),
    ),
  );
}

function boundsOf(wheels: readonly EndViewGear[]): Station['bounds'] {
  const reach = ({ radius, module, shape, orbit }: EndViewGear) =>
    radius + (shape === 'ring' ? 4 : 1.2) * module + (orbit?.radius ?? 0);
  return {
    left: Math.min(...wheels.map((wheel) => wheel.centre.x - reach(wheel))),
    right: Math.max(...wheels.map((wheel) => wheel.centre.x + reach(wheel))),
    top: Math.min(...wheels.map((wheel) => wheel.centre.y - reach(wheel))),
    bottom: Math.max(...wheels.map((wheel) => wheel.centre.y + reach(wheel))),
  };
}
