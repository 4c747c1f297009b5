import type { Train } from '../train';

/** A simple set as a document has it: places of its gears, and how many planets stand in it. */
interface SetCondition {
  readonly sun: number;
  readonly planet: number;
  readonly ring: number;
  /** Planets that stand evenly; 1 where they did not. */
  readonly copies: number;
}

/** What holds in a train now and has to go on holding when counts change: sun and ring on one axis, S + 2P = R, and planets evenly spaced. */
export function setConditions({ gears, meshes, members }: Train): readonly SetCondition[] {
  const place = new Map(gears.map(({ id }, i) => [id, i]));
  return gears.flatMap((gear, planet) => {
    const { carrier, copies = 1 } = members.find(({ id }) => id === gear.member) ?? {};
    if (carrier === undefined) return [];
    const mates = meshes
      .filter((mesh) => mesh.gears.includes(gear.id))
      .map((mesh) => place.get(mesh.gears.find((id) => id !== gear.id)!)!)
      .filter((at) => members.find(({ id }) => id === gears[at]!.member)?.carrier === undefined);
    return mates.flatMap((ring) =>
      gears[ring]!.type !== 'internal'
        ? []
        : mates.flatMap((sun): SetCondition[] => {
            const [s, r] = [gears[sun]!, gears[ring]!];
            if (s.type !== 'external' || s.teeth + 2 * gear.teeth !== r.teeth) return [];
            return [{ sun, planet, ring, copies: (s.teeth + r.teeth) % copies === 0 ? copies : 1 }];
          }),
    );
  });
}

/** Do these counts meet the conditions? */
export const meets = (conditions: readonly SetCondition[], counts: ArrayLike<number>): boolean =>
  conditions.every(
    ({ sun, planet, ring, copies }) =>
      counts[sun]! + 2 * counts[planet]! === counts[ring]! && (counts[sun]! + counts[ring]!) % copies === 0,
  );

/** A count that follows from others by a condition. */
export interface Follows {
  readonly gear: number;
  readonly from: (counts: ArrayLike<number>) => number;
}

/** Of each condition one free count that the others settle, so that it need not be searched: the ring where it can be. */
export function following(conditions: readonly SetCondition[], free: ReadonlySet<number>): readonly Follows[] {
  const taken = new Set<number>();
  return conditions.flatMap(({ sun, planet, ring }): Follows[] => {
    const ways: readonly Follows[] = [
      { gear: ring, from: (counts) => counts[sun]! + 2 * counts[planet]! },
      { gear: planet, from: (counts) => (counts[ring]! - counts[sun]!) / 2 },
      { gear: sun, from: (counts) => counts[ring]! - 2 * counts[planet]! },
    ];
    const way = ways.find(({ gear }) => free.has(gear) && !taken.has(gear));
    // What another condition has settled, or uses, is not settled twice.
    for (const gear of [sun, planet, ring]) taken.add(gear);
    return way ? [way] : [];
  });
}
