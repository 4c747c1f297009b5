import { FRAME } from './frame';
import { partsById } from './part-index';
import type { Gear, Train } from './schema';

/** The gears of a planetary set, from its sun to its ring. */
export type SetInTrain = SimpleSet | PairedSet;

/** One planet reaches from sun to ring; their counts fit where ring = sun + 2 planets. */
export interface SimpleSet {
  readonly kind: 'simple';
  readonly sun: Gear;
  readonly planet: Gear;
  readonly ring: Gear;
}

/** The sun meets one gear, the ring a second one: of the same planet (stepped), or of another on the same carrier. */
export interface PairedSet {
  readonly kind: 'stepped' | 'double-pinion';
  readonly sun: Gear;
  readonly planet: Gear;
  readonly second: Gear;
  readonly ring: Gear;
}

/** The planetary sets of a train, in the order of its gears: each sun with each ring that a planet reaches from it. */
export function planetarySetsOf(train: Train): readonly SetInTrain[] {
  const parts = partsById(train);
  const carrierOf = ({ member }: Gear) => {
    const carrier = parts.find.member(member)?.carrier;
    return carrier === FRAME ? undefined : carrier;
  };
  const matesOf = ({ id }: Gear): readonly Gear[] =>
    train.meshes.flatMap(({ gears: [a, b] }) => {
      const mate = a === id ? b : b === id ? a : null;
      return (mate !== null && parts.find.gear(mate)) || [];
    });
  const ringsOf = (planet: Gear) => matesOf(planet).filter((mate) => mate.type === 'internal' && !carrierOf(mate));
  const from = (sun: Gear, planet: Gear): readonly SetInTrain[] => {
    const carrier = carrierOf(planet);
    const steps = train.gears.filter(({ id, member }) => member === planet.member && id !== planet.id);
    const seconds = matesOf(planet).filter((mate) => mate.member !== planet.member && carrierOf(mate) === carrier);
    const paired = (kind: PairedSet['kind'], others: readonly Gear[]) =>
      others.flatMap((second) => ringsOf(second).map((ring): PairedSet => ({ kind, sun, planet, second, ring })));
    return [
      ...ringsOf(planet).map((ring): SimpleSet => ({ kind: 'simple', sun, planet, ring })),
      ...paired('stepped', steps),
      ...paired('double-pinion', seconds),
    ];
  };
  return train.gears
    .filter((gear) => gear.type === 'external' && !carrierOf(gear))
    .flatMap((sun) =>
      matesOf(sun)
        .filter((planet) => planet.type === 'external' && carrierOf(planet))
        .flatMap((planet) => from(sun, planet)),
    );
}

/** The sets with one planet between sun and ring. */
export const simpleSetsOf = (train: Train): readonly SimpleSet[] =>
  planetarySetsOf(train).flatMap((set) => (set.kind === 'simple' ? [set] : []));

/** The simple sets that a gear is the sun, planet or ring of. */
export const simpleSetsWith = (train: Train, gear: string): readonly SimpleSet[] =>
  simpleSetsOf(train).filter(({ sun, planet, ring }) => [sun.id, planet.id, ring.id].includes(gear));

/** Is a gear of a simple set whose counts fit? */
export const isInFittingSet = (train: Train, gear: string): boolean => simpleSetsWith(train, gear).some(countsFit);

/** Do the counts of a set fit: ring = sun + 2 planets? */
export const countsFit = ({ sun, planet, ring }: SimpleSet): boolean => ring.teeth === sun.teeth + 2 * planet.teeth;
