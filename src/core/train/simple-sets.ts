import { FRAME } from './frame';
import { partsById } from './part-index';
import type { Gear, Train } from './schema';

/** The three gears of a simple planetary set: their counts fit where ring = sun + 2 planets. */
export interface SimpleSet {
  readonly sun: Gear;
  readonly planet: Gear;
  readonly ring: Gear;
}

/** The simple sets that a gear is the sun, planet or ring of. */
export function simpleSetsOf(train: Train, gearId: string): SimpleSet[] {
  const { find } = partsById(train);
  const isPlanet = ({ member }: Gear) => (find.member(member)?.carrier ?? FRAME) !== FRAME;
  const mates = (gear: Gear) =>
    train.meshes.flatMap(({ gears: [a, b] }) => (a === gear.id ? [b] : b === gear.id ? [a] : []));
  const onCentre = (planet: Gear, type: Gear['type']) =>
    mates(planet).flatMap((id) => {
      const gear = find.gear(id);
      return gear && gear.type === type && !isPlanet(gear) ? [gear] : [];
    });
  return train.gears
    .filter((gear) => gear.type === 'external' && isPlanet(gear))
    .flatMap((planet) =>
      onCentre(planet, 'external').flatMap((sun) =>
        onCentre(planet, 'internal').map((ring) => ({ sun, planet, ring })),
      ),
    )
    .filter(({ sun, planet, ring }) => [sun.id, planet.id, ring.id].some((id) => id === gearId));
}

/** Is a gear of a simple set whose counts fit? */
export const isInFittingSet = (train: Train, gear: string): boolean => simpleSetsOf(train, gear).some(countsFit);

/** Do the counts of a set fit: ring = sun + 2 planets? */
export const countsFit = ({ sun, planet, ring }: SimpleSet): boolean => ring.teeth === sun.teeth + 2 * planet.teeth;
