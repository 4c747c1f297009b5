import { armOf, axesOf, FRAME, isCylindrical, partsById, planetarySetsOf, type Gear, type Train } from '../train';
import { itemAt, lookUp, required } from '../required';
import { timingOf } from '../checks';
import { assemblesEvenly } from './planetary-sets';

type Counts = ArrayLike<number>;

/** What has to go on holding in a train when counts change; gears by their places in the document. */
export interface Condition {
  readonly gears: readonly number[];
  readonly holds: (counts: Counts) => boolean;
  /** Counts that the others settle, the one that is best settled first. */
  readonly settles: readonly Follows[];
}

/** A count that follows from others by a condition. */
export interface Follows {
  readonly gear: number;
  readonly from: (counts: Counts) => number;
}

/** What planets mesh with stays on one axis, and sets that can be put together evenly spaced still can. */
export const setConditions = (train: Train): readonly Condition[] => [
  ...distanceConditions(train, (carrier) => carrier !== FRAME),
  ...spacingConditions(train),
];

/** Pairs between the same two shafts go on agreeing about their distance, as far as they agree now. */
export const centreConditions = (train: Train): readonly Condition[] =>
  distanceConditions(train, (carrier) => carrier === FRAME);

/** The difference in teeth that shifts may make up for. */
const MOST_SHIFTED = 3;
const NEAR = 1e-9;

/** A pair of two wheels as far as it decides how far apart its two axes are: twice that is Σ times · count. */
interface Distance {
  readonly times: ReadonlyMap<number, number>;
  readonly pair: readonly [Gear, Gear];
  /** Null where none is given. */
  readonly moduleMm: number | null;
  /** A shift or a centre of its own lets it run elsewhere than its counts say. */
  readonly isMoved: boolean;
}

/**
 * All pairs between two axes run at one distance, m (z₂ ± z₁) / 2 cos β: so S + P = R − P of a simple set, S + P₁ = R −
 * P₂ of a stepped one, a + b = c + d of two pairs between shafts. Where shifts make up for a difference, it stays.
 */
function distanceConditions(train: Train, isMeant: (carrier: string) => boolean): readonly Condition[] {
  const axisOf = new Map(axesOf(train).flatMap(({ members }, i) => members.map((id) => [id, i] as const)));
  const parts = partsById(train);
  const first = new Map<string, Distance>();
  return train.meshes.flatMap((mesh): Condition[] => {
    const pair = parts.pair(mesh);
    const [one, two] = pair.map(({ member }) => member) as [string, string];
    const arm = armOf(one, two, parts.find.member);
    if (arm === null || !isMeant(arm) || !pair.every(isCylindrical)) return [];
    // A gear on the frame is where the carrier of its planet turns.
    const line = (member: string) => axisOf.get(member === FRAME ? arm : member);
    const distance = distanceOf(train, pair, mesh.centre !== undefined);
    const lines = [one, two].map(line);
    if (lines.includes(undefined)) return [];
    const key = lines.sort().join('-');
    const known = first.get(key);
    if (known) return agreement(train, known, distance);
    first.set(key, distance);
    return [];
  });
}

function distanceOf(train: Train, pair: readonly [Gear, Gear], hasCentre: boolean): Distance {
  const [one, two] = pair;
  const moduleMm = one.module ?? two.module ?? null;
  const across = (moduleMm ?? 1) / Math.cos(((one.helix ?? 0) * Math.PI) / 180);
  const inRing = pair.some(({ type }) => type === 'internal');
  const place = (gear: Gear) => train.gears.findIndex(({ id }) => id === gear.id);
  return {
    times: new Map(pair.map((gear) => [place(gear), inRing && gear.type === 'external' ? -across : across])),
    pair,
    moduleMm,
    isMoved: hasCentre || pair.some(({ shift = 0 }) => shift !== 0),
  };
}

/** That two pairs run at one distance, as a sum of counts; none where nothing is known of it. */
function agreement(train: Train, one: Distance, two: Distance): Condition[] {
  const isComparable = (one.moduleMm === null) === (two.moduleMm === null);
  if (!isComparable) return [];
  const times = new Map(one.times);
  for (const [gear, by] of two.times) {
    const left = (times.get(gear) ?? 0) - by;
    // A wheel that both pairs have alike decides nothing.
    if (Math.abs(left) < NEAR) times.delete(gear);
    else times.set(gear, left);
  }
  const sum = (counts: Counts) => [...times].reduce((all, [gear, by]) => all + by * required(counts[gear]), 0);
  const now = sum(train.gears.map(({ teeth }) => teeth));
  const isShifted =
    (one.isMoved || two.isMoved) && Math.abs(now) <= MOST_SHIFTED * Math.max(one.moduleMm ?? 1, two.moduleMm ?? 1);
  // Where no module is given, wheels that share none may have two.
  const isKnown = one.moduleMm !== null || one.pair.some((gear) => two.pair.includes(gear));
  if (!isShifted && !isKnown && Math.abs(now) > NEAR) return [];
  const wanted = isShifted ? now : 0;
  const settles = [...times].map(([gear, by]) => ({
    gear,
    from: (counts: Counts) => whole(required(counts[gear]) + (wanted - sum(counts)) / by),
  }));
  const isRing = ({ gear }: Follows) => itemAt(train.gears, gear).type === 'internal';
  return [
    {
      gears: [...times.keys()],
      holds: (counts) => Math.abs(sum(counts) - wanted) < NEAR,
      settles: [...settles.filter(isRing), ...settles.filter((one) => !isRing(one))],
    },
  ];
}

/** What rounding leaves of a whole number is that number. */
const whole = (count: number): number => (Math.abs(count - Math.round(count)) < NEAR ? Math.round(count) : count);

/**
 * Equal planets that find their places evenly spaced go on so: those that meet central gears by the law of all their
 * contacts together, whatever these are; pairs of planets from a sun to a ring by theirs.
 */
function spacingConditions(train: Train): readonly Condition[] {
  const parts = partsById(train);
  const place = new Map(train.gears.map(({ id }, i) => [id as string, i]));
  const placeOf = ({ id }: Gear) => lookUp(place, id);
  const copiesOf = (planet: string) => parts.find.member(planet)?.copies ?? 1;
  const condition = (gears: readonly Gear[], copies: number, holds: Condition['holds']): Condition[] =>
    copies > 1 && holds(train.gears.map(({ teeth }) => teeth))
      ? [{ gears: [...new Set(gears.map(placeOf))], holds, settles: [] }]
      : [];
  const alone = contactsByPlanet(train).flatMap(([planet, pairs]) => {
    const copies = copiesOf(planet);
    return condition(
      pairs.flat(),
      copies,
      (counts) =>
        timingOf(
          pairs.map(([own, central]) => ({
            planetTeeth: required(counts[placeOf(own)]),
            centralTeeth: required(counts[placeOf(central)]),
            internal: central.type === 'internal',
          })),
          copies,
        ) !== null,
    );
  });
  const paired = planetarySetsOf(train).flatMap((set) => {
    if (set.kind !== 'double-pinion') return [];
    const { sun, planet, second, ring } = set;
    const copies = copiesOf(planet.member);
    return condition([sun, planet, second, ring], copies, (counts) => {
      const [s, p, q, r] = [sun, planet, second, ring].map((gear) => required(counts[placeOf(gear)]));
      return assemblesEvenly(
        { sun: required(s), planet: required(p), second: required(q), ring: required(r), copies },
        'double-pinion',
      );
    });
  });
  return [...alone, ...paired];
}

/** By planet that meshes with central gears alone: each of its gears with each of these. */
function contactsByPlanet(train: Train): readonly (readonly [string, readonly (readonly [Gear, Gear])[]])[] {
  const parts = partsById(train);
  const carrierOf = ({ member }: Gear) => parts.find.member(member)?.carrier;
  const found = new Map<string, (readonly [Gear, Gear])[]>();
  const others = new Set<string>();
  for (const mesh of train.meshes) {
    const pair = parts.pair(mesh);
    const planets = pair.filter((gear) => carrierOf(gear) !== undefined);
    const [planet] = planets;
    if (!planet) continue;
    const central = pair.find((gear) => gear !== planet);
    if (planets.length > 1 || !central || !pair.every(isCylindrical))
      for (const { member } of planets) others.add(member);
    else found.set(planet.member, [...(found.get(planet.member) ?? []), [planet, central]]);
  }
  return [...found].filter(([planet, pairs]) => !others.has(planet) && pairs.length > 1);
}

/** Do these counts meet the conditions? */
export const meetsConditions = (conditions: readonly Condition[], counts: Counts): boolean =>
  conditions.every(({ holds }) => holds(counts));

/**
 * Of each condition one free count that the others settle, so that it need not be searched. They are worked out in this
 * order.
 */
export function following(conditions: readonly Condition[], free: ReadonlySet<number>): readonly Follows[] {
  const taken = new Set<number>();
  return conditions.flatMap(({ gears, settles }): Follows[] => {
    if (settles.length === 0) return [];
    const way = settles.find(({ gear }) => free.has(gear) && !taken.has(gear));
    // What another condition has settled, or uses, is not settled twice.
    for (const gear of gears) taken.add(gear);
    return way ? [way] : [];
  });
}
