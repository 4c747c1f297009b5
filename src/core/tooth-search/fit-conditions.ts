import { axesOf, FRAME, type Train } from '../train';
import { itemAt, lookUp, required } from '../required';

type Counts = ArrayLike<number>;

/** What holds in a train now and has to go on holding when counts change; gears by their places in the document. */
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

/** Sun and ring of simple sets on one axis, S + 2P = R, and their planets evenly spaced. */
export function setConditions({ gears, meshes, members }: Train): readonly Condition[] {
  const place = new Map(gears.map(({ id }, i) => [id, i]));
  const carrierOf = (id: string) => members.find((member) => member.id === id)?.carrier;
  return gears.flatMap((gear, planet) => {
    const { carrier, copies = 1 } = members.find(({ id }) => id === gear.member) ?? {};
    if (carrier === undefined) return [];
    const mates = meshes
      .filter((mesh) => mesh.gears.includes(gear.id))
      .map((mesh) => lookUp(place, required(mesh.gears.find((id) => id !== gear.id))))
      .filter((at) => carrierOf(itemAt(gears, at).member) === undefined);
    return mates.flatMap((ring) =>
      itemAt(gears, ring).type !== 'internal'
        ? []
        : mates.flatMap((sun): Condition[] => {
            const [s, r] = [itemAt(gears, sun), itemAt(gears, ring)];
            if (s.type !== 'external' || s.teeth + 2 * gear.teeth !== r.teeth) return [];
            return [setCondition(sun, planet, ring, (s.teeth + r.teeth) % copies === 0 ? copies : 1)];
          }),
    );
  });
}

const setCondition = (sun: number, planet: number, ring: number, copies: number): Condition => ({
  gears: [sun, planet, ring],
  holds: (counts) =>
    required(counts[sun]) + 2 * required(counts[planet]) === required(counts[ring]) &&
    (required(counts[sun]) + required(counts[ring])) % copies === 0,
  settles: [
    { gear: ring, from: (counts) => required(counts[sun]) + 2 * required(counts[planet]) },
    { gear: planet, from: (counts) => (required(counts[ring]) - required(counts[sun])) / 2 },
    { gear: sun, from: (counts) => required(counts[ring]) - 2 * required(counts[planet]) },
  ],
});

interface Between {
  readonly a: number;
  readonly b: number;
  readonly module: number;
}

/** Pairs of external gears between the same two shafts whose distances agree now: m (a + b) stays the same in each. */
export function centreConditions(train: Train): readonly Condition[] {
  const place = new Map(train.gears.map(({ id }, i) => [id, i]));
  const axisOf = new Map(
    axesOf(train).flatMap((axis, i) => (axis.arm === FRAME ? axis.members.map((id) => [id, i] as const) : [])),
  );
  const first = new Map<string, Between>();
  return train.meshes.flatMap((mesh): Condition[] => {
    const [a, b] = mesh.gears.map((id) => lookUp(place, id)) as [number, number];
    const pair = [itemAt(train.gears, a), itemAt(train.gears, b)] as const;
    const [x, y] = pair.map(({ member }) => axisOf.get(member));
    if (x === undefined || y === undefined || x === y || pair.some(({ type }) => type !== 'external')) return [];
    const between: Between = { a, b, module: pair[0].module ?? 1 };
    const key = [x, y].sort((p, q) => p - q).join('-');
    const known = first.get(key);
    if (!known) {
      first.set(key, between);
      return [];
    }
    const condition = centreCondition(known, between);
    return condition.holds(train.gears.map(({ teeth }) => teeth)) ? [condition] : [];
  });
}

function centreCondition(one: Between, other: Between): Condition {
  const [p, q] = [one, other];
  const sum = ({ a, b, module }: Between, counts: Counts) => module * (required(counts[a]) + required(counts[b]));
  const left = (counts: Counts, from: Between, to: Between, known: number) =>
    sum(from, counts) / to.module - required(counts[known]);
  return {
    gears: [p.a, p.b, q.a, q.b],
    holds: (counts) => Math.abs(sum(p, counts) - sum(q, counts)) < 1e-9,
    settles: [
      { gear: q.b, from: (counts) => left(counts, p, q, q.a) },
      { gear: q.a, from: (counts) => left(counts, p, q, q.b) },
      { gear: p.b, from: (counts) => left(counts, q, p, p.a) },
      { gear: p.a, from: (counts) => left(counts, q, p, p.b) },
    ],
  };
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
    const way = settles.find(({ gear }) => free.has(gear) && !taken.has(gear));
    // What another condition has settled, or uses, is not settled twice.
    for (const gear of gears) taken.add(gear);
    return way ? [way] : [];
  });
}
