import { isRanged, type AskedSet, type GivenSet, type RangedSet } from './question';

/**
 * The standing ratio of a set: speed of its sun over speed of its ring with the carrier held. −R/S of a simple set, R/S
 * with two planets between, −(P₁ R)/(S P₂) where P₁ meets the sun and P₂ the ring.
 */
export function standingRatio(set: GivenSet): number {
  switch (set.kind) {
    case 'simple':
      return -set.ring / set.sun;
    case 'double-pinion':
      return set.ring / set.sun;
    case 'stepped':
      return -(set.planet * set.ring) / (set.sun * set.second);
  }
}

/** Past a held carrier sun and ring go opposite ways, unless two planets one after the other are between them. */
export const signOf = (kind: RangedSet['kind']): 1 | -1 => (kind === 'double-pinion' ? 1 : -1);

/** Standing ratios that a set is tried with: its own, or so many over its range, evenly by their logarithm. */
export function triedStandings(set: AskedSet, steps: number): readonly number[] {
  if (!isRanged(set)) return [standingRatio(set)];
  const [least, most] = set.ratio;
  return Array.from({ length: steps }, (_, i) => signOf(set.kind) * least * (most / least) ** ((i + 0.5) / steps));
}

/** Sun, carrier and ring: Σ coefficient × speed = 0 (Willis: ω_s − i ω_r − (1 − i) ω_c = 0). */
export const willis = (standing: number): readonly [number, number, number] => [1, standing - 1, -standing];

/** How fast a planet turns on its pin per turn of the sun past the carrier: S/P of the planet that meets the sun. */
export function planetFactor(set: AskedSet, standing: number): number {
  // How fast a stepped planet turns is known from its counts alone; until it has them, nothing is said against it.
  if (set.kind === 'stepped') return isRanged(set) ? 0 : set.sun / set.planet;
  // P = (R − S) / 2 where one planet reaches from sun to ring; two of them are taken as large as they can be.
  const ringToSun = Math.abs(standing);
  return 2 / (ringToSun - 1);
}
