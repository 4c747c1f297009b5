import { fits, type FoundSet } from '../tooth-search';
import { planetCounts } from './as-train';
import { isRanged, type AskedSet, type GivenSet, type RangedSet } from './question';
import { standingRatio } from './standing-ratio';

/** Teeth that suns of found sets have, and rings at most. */
const [LEAST_SUN, MOST_SUN, MOST_RING] = [17, 60, 150];
/** How many planets are tried. */
const PLANETS = [3, 4, 5];
/** Counts of one set that are tried with those of the others. */
const TRIED = 6;

/** Counts for sets of these standing ratios, all combinations of the nearest of each, nearest first. */
export function* countChoices(sets: readonly AskedSet[], standings: readonly number[]): Generator<readonly GivenSet[]> {
  const lists = sets.map((set, i) => (isRanged(set) ? nearestCounts(set, standings[i] ?? 0) : [set]));
  function* rest(at: number): Generator<readonly GivenSet[]> {
    const list = lists[at];
    if (!list) return yield [];
    for (const one of list) for (const others of rest(at + 1)) yield [one, ...others];
  }
  yield* rest(0);
}

/**
 * Counts whose ring to sun comes nearest, within the range, that can be put together evenly and have room for their
 * planets; of equally near ones the smallest.
 */
export function nearestCounts(set: RangedSet, standing: number): readonly GivenSet[] {
  const [least, most] = set.ratio;
  const found: { readonly made: GivenSet; readonly far: number }[] = [];
  for (let sun = LEAST_SUN; sun <= MOST_SUN; sun++)
    for (let ring = Math.ceil(sun * least); ring <= Math.min(MOST_RING, sun * most); ring++) {
      const made = { id: set.id, kind: set.kind, sun, ring };
      const far = Math.abs(standingRatio(made) / standing - 1);
      if (far < NEAR && isBuildable(made)) found.push({ made, far });
    }
  return found
    .sort((a, b) => a.far - b.far || size(a.made) - size(b.made))
    .slice(0, TRIED)
    .map(({ made }) => made);
}

const NEAR = 0.05;
const size = (set: GivenSet): number => set.ring;

function isBuildable(set: Extract<GivenSet, { readonly kind: 'simple' | 'double-pinion' }>): boolean {
  const { kind, sun, ring } = set;
  if ((ring - sun) % 2 !== 0) return false;
  const [planet, second] = planetCounts(set);
  const made = (copies: number): FoundSet => ({
    sun,
    planet: planet ?? 0,
    ...(second !== undefined && { second }),
    ring,
    copies,
  });
  return PLANETS.some((copies) => fits(made(copies), kind));
}
