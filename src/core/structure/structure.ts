import { modelOf } from '../model';
import { axesOf, components, FRAME, type Gear, type Train, partsById } from '../train';
import { itemAt, lookUp, required } from '../required';

/**
 * How a train is built, before anything has a place: its axes, and the figures that stand side by side along them.
 * A figure is a group of gears that belong in one place: a meshing group on fixed axes, a planetary set with all
 * planes of its planets, or a bevel differential.
 */
export interface Structure {
  readonly train: Train;
  /** Fixed axes, in document order; each a list of members. */
  readonly axes: readonly (readonly string[])[];
  /** Axis of every member that turns about a fixed line (planets are drawn with their carrier). */
  readonly axisOf: ReadonlyMap<string, number>;
  readonly figures: readonly Figure[];
}

export type Figure =
  /**
   * Gears across fixed axes, touching where they mesh; in several planes where two of one axis mesh the same gear,
   * which is then a long one.
   */
  | {
      readonly kind: 'bars';
      readonly key: string;
      readonly gears: readonly Gear[];
      readonly planes: readonly (readonly Gear[])[];
    }
  /** A planetary set in half section: one plane after the other, each a stack of gears from the axis outward. */
  | {
      readonly kind: 'set';
      readonly key: string;
      readonly axis: number;
      readonly carrier: string;
      readonly planes: readonly SetPlane[];
    }
  /** Two bevel gears facing each other with a bevel planet between. */
  | {
      readonly kind: 'bevel';
      readonly key: string;
      readonly axis: number;
      readonly carrier: string;
      readonly left: Gear;
      readonly planet: Gear;
      readonly right: Gear;
    };

/** One plane of a set: a sun (or none), one planet or two stacked, a ring (or none). */
export interface SetPlane {
  readonly sun: Gear | null;
  readonly planets: readonly Gear[];
  readonly ring: Gear | null;
}

/** Sorts a train's gears into figures; done once for a train. */
export const structureOf = (train: Train): Structure => modelOf(train).derive(makeStructure);

function makeStructure(train: Train): Structure {
  const axes = axesOf(train)
    .filter((axis) => axis.arm === FRAME)
    .map((axis) => axis.members);
  const axisOf = new Map(axes.flatMap((members, i) => members.map((id) => [id, i] as const)));
  const carrierOf = new Map(
    train.members.flatMap((member) => (member.carrier ? [[member.id, member.carrier] as const] : [])),
  );
  const parts = partsById(train);
  const planetary = new Set(
    train.meshes.filter((mesh) => mesh.gears.some((id) => carrierOf.has(parts.gear(id).member))).map((mesh) => mesh.id),
  );
  const figures: Figure[] = [];
  for (const group of fixedGroups(train, carrierOf, planetary))
    figures.push({
      kind: 'bars',
      key: `bars ${itemAt(group, 0).id}`,
      gears: group,
      planes: barPlanes(train, group, axisOf),
    });
  for (const planets of planetClusters(train, carrierOf)) {
    const carrier = lookUp(carrierOf, itemAt(planets, 0));
    const axis = axisOf.get(carrier);
    if (axis === undefined) continue;
    figures.push(setFigure(train, planets, carrier, axis));
  }
  return { train, axes, axisOf, figures };
}

/** Gears of fixed members, grouped by the meshes between them; a gear that only meets planets is drawn in its set. */
function fixedGroups(train: Train, carrierOf: ReadonlyMap<string, string>, planetary: ReadonlySet<string>): Gear[][] {
  const inSets = new Set(train.meshes.filter(({ id }) => planetary.has(id)).flatMap((mesh) => mesh.gears));
  const meshed = new Set(train.meshes.filter(({ id }) => !planetary.has(id)).flatMap((mesh) => mesh.gears));
  const own = train.gears.filter(
    (gear) => !carrierOf.has(gear.member) && gear.member !== FRAME && (meshed.has(gear.id) || !inSets.has(gear.id)),
  );
  const links = train.meshes.filter(({ id }) => !planetary.has(id)).map((mesh) => mesh.gears);
  return components(
    own.map(({ id }) => id),
    links,
  ).map((group) => group.map(partsById(train).gear));
}

/**
 * Shares a group of meshing gears out among planes, so that no two of one axis stand in the same: each mesh goes into
 * the first plane that has room for both its gears.
 */
function barPlanes(train: Train, group: readonly Gear[], axisOf: ReadonlyMap<string, number>): Gear[][] {
  const own = new Map(group.map((gear) => [gear.id, gear]));
  const planes: Gear[][] = [];
  const hasRoom = (plane: readonly Gear[], gear: Gear) =>
    plane.every((other) => other === gear || axisOf.get(other.member) !== axisOf.get(gear.member));
  for (const mesh of train.meshes) {
    const [a, b] = mesh.gears.map((id) => own.get(id));
    if (!a || !b) continue;
    const plane = planes.find((candidate) => hasRoom(candidate, a) && hasRoom(candidate, b));
    if (plane) plane.push(...[a, b].filter((gear) => !plane.includes(gear)));
    else planes.push([a, b]);
  }
  return planes.length > 0 ? planes : [[...group]];
}

/** Planets that are drawn together: those of one carrier that mesh with each other. */
function planetClusters(train: Train, carrierOf: ReadonlyMap<string, string>): string[][] {
  const parts = partsById(train);
  const links = train.meshes
    .map((mesh) => parts.pair(mesh).map(({ member }) => member) as [string, string])
    .filter(([a, b]) => carrierOf.get(a) === carrierOf.get(b));
  return components(carrierOf.keys(), links);
}

function setFigure(train: Train, planets: readonly string[], carrier: string, axis: number): Figure {
  const own = new Set(planets);
  const meshes = train.meshes
    .map((mesh) => partsById(train).pair(mesh))
    .filter((pair) => pair.some((gear) => own.has(gear.member)));
  const [bevel] = train.gears.filter((gear) => own.has(gear.member) && gear.type === 'bevel');
  if (bevel) {
    const sides = meshes
      .filter((pair) => pair.includes(bevel))
      .map((pair) => required(pair.find((gear) => gear !== bevel)));
    const [left, right] = sides;
    if (left && right && sides.length === 2) {
      // A second output leaves to the left, so its gear stands there.
      const turned = train.outputs[1] === right.member;
      return {
        kind: 'bevel',
        key: `set ${planets[0]}`,
        axis,
        carrier,
        left: turned ? right : left,
        planet: bevel,
        right: turned ? left : right,
      };
    }
  }
  return { kind: 'set', key: `set ${planets[0]}`, axis, carrier, planes: planesOf(own, meshes) };
}

/**
 * The planes of a set. Every central gear starts a stack: its planet, the planet beyond (if that one meets the other
 * centre there), and the gear on the far side. Stacks that share a planet gear but not a side become planes of their
 * own.
 */
function planesOf(planets: ReadonlySet<string>, meshes: readonly (readonly Gear[])[]): SetPlane[] {
  const isPlanet = (gear: Gear) => planets.has(gear.member);
  const suns = new Map<Gear, Gear[]>();
  const rings = new Map<Gear, Gear[]>();
  const pairs: [Gear, Gear][] = [];
  for (const [a, b] of meshes as readonly [Gear, Gear][]) {
    if (isPlanet(a) && isPlanet(b)) pairs.push([a, b]);
    else {
      const [planet, centre] = isPlanet(a) ? [a, b] : [b, a];
      const centres = centre.type === 'internal' ? rings : suns;
      centres.set(planet, [...(centres.get(planet) ?? []), centre]);
    }
  }
  const planes: SetPlane[] = [];
  const sunned = new Set<Gear>();
  // A ring may meet several planets, and a planet several rings: each of the two has a plane once.
  const left = new Map([...rings].map(([planet, centres]) => [planet, [...centres]]));
  const ringFor = (planet: Gear) => left.get(planet)?.shift() ?? null;
  for (const [a, b] of pairs) {
    // The planet that meets a sun stands inside; with suns at both, the one without a ring.
    const [inner, outer] = suns.has(b) && (!suns.has(a) || rings.has(a)) ? [b, a] : [a, b];
    const [sun = null] = suns.get(inner) ?? [];
    if (sun) sunned.add(inner);
    planes.push({ sun, planets: [inner, outer], ring: ringFor(outer) });
  }
  for (const [planet, centres] of suns) {
    for (const sun of sunned.has(planet) ? centres.slice(1) : centres)
      planes.push({ sun, planets: [planet], ring: ringFor(planet) });
  }
  for (const [planet, centres] of left) for (const ring of centres) planes.push({ sun: null, planets: [planet], ring });
  return planes;
}

export const gearsOf = (figure: Figure): readonly Gear[] =>
  figure.kind === 'bars'
    ? figure.gears
    : figure.kind === 'bevel'
      ? [figure.left, figure.planet, figure.right]
      : figure.planes.flatMap((plane) => [plane.sun, ...plane.planets, plane.ring].filter((gear) => gear !== null));
