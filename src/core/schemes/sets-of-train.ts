import { FRAME, partsById, type Gear, type Train } from '../train';
import type { GivenSet } from './question';

/** What is between a sun and a ring. */
type Between =
  | { readonly kind: 'simple' | 'double-pinion' }
  | { readonly kind: 'stepped'; readonly steps: readonly [number, number] };

const NAMES = ['front', 'middle', 'rear', 'last'];

/**
 * The sets of a train, in the order of its gears: each sun with each ring that a planet reaches from it, by the same
 * gear (simple), by another gear of the same planet (stepped), or by a second planet on the same carrier.
 */
export function setsOfTrain(train: Train): readonly GivenSet[] {
  const parts = partsById(train);
  const carrierOf = ({ member }: Gear) => {
    const carrier = parts.find.member(member)?.carrier;
    return carrier === FRAME ? undefined : carrier;
  };
  const matesOf = ({ id }: Gear): readonly Gear[] =>
    train.meshes.flatMap(({ gears: [a, b] }) => (a === id ? [parts.gear(b)] : b === id ? [parts.gear(a)] : []));
  const ringsOf = (planet: Gear) => matesOf(planet).filter((mate) => mate.type === 'internal' && !carrierOf(mate));
  const from = (planet: Gear): readonly (readonly [Gear, Between])[] => {
    const carrier = carrierOf(planet);
    const steps = train.gears.filter(({ id, member }) => member === planet.member && id !== planet.id);
    const seconds = matesOf(planet).filter((mate) => mate.member !== planet.member && carrierOf(mate) === carrier);
    return [
      ...ringsOf(planet).map((ring) => [ring, { kind: 'simple' }] as const),
      ...steps.flatMap((step) =>
        ringsOf(step).map((ring) => [ring, { kind: 'stepped', steps: [planet.teeth, step.teeth] }] as const),
      ),
      ...seconds.flatMap((second) => ringsOf(second).map((ring) => [ring, { kind: 'double-pinion' }] as const)),
    ];
  };
  const suns = train.gears.filter((gear) => gear.type === 'external' && !carrierOf(gear));
  return suns
    .flatMap((sun) =>
      matesOf(sun)
        .filter((planet) => planet.type === 'external' && carrierOf(planet))
        .flatMap((planet) => from(planet).map(([ring, between]) => ({ sun: sun.teeth, ring: ring.teeth, between }))),
    )
    .map(({ sun, ring, between }, i): GivenSet => {
      const id = NAMES[i] ?? `set ${i + 1}`;
      if (between.kind !== 'stepped') return { id, kind: between.kind, sun, ring };
      const [planet, second] = between.steps;
      return { id, kind: between.kind, sun, planet, second, ring };
    });
}
