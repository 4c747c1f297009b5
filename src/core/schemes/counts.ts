import { fits, type FoundSet } from '../tooth-search';
import { planetCounts } from './as-train';
import { isRanged, type AskedSet, type GivenSet, type RangedSet } from './question';
import { standingRatio } from './standing-ratio';
import { itemAt } from '../required';

/** Teeth that suns of found sets have, and rings at most. */
const [LEAST_SUN, MOST_SUN, MOST_RING] = [17, 60, 150];
/** Teeth of the steps of a planet at most. */
const MOST_STEP = 60;
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
 * Counts whose standing ratio comes nearest, within the range, that can be put together evenly and have room for their
 * planets; of equally near ones the smallest.
 */
export function nearestCounts({ id, kind, ratio: [least, most] }: RangedSet, standing: number): readonly GivenSet[] {
  const all = countsOf(kind);
  const wanted = Math.abs(standing);
  const from = firstFrom(all, Math.max(least, wanted * (1 - NEAR)));
  const end = Math.min(most, wanted * (1 + NEAR));
  const near = all
    .slice(from, firstFrom(all, end * (1 + ROUNDING)))
    .map(({ counts, size }) => ({ counts, far: Math.abs(size / wanted - 1) }))
    .sort((a, b) => a.far - b.far || a.counts.ring - b.counts.ring);
  const found: GivenSet[] = [];
  for (const { counts } of near) {
    if (found.length === TRIED) break;
    if (isBuildable(counts)) found.push({ ...counts, id });
  }
  return found;
}
interface SizedCounts {
  readonly counts: GivenSet;
  /** Of the standing ratio. */
  readonly size: number;
}

const known = new Map<RangedSet['kind'], readonly SizedCounts[]>();

/** All counts of a kind that are tried, by the size of their standing ratio. */
function countsOf(kind: RangedSet['kind']): readonly SizedCounts[] {
  const found = known.get(kind);
  if (found) return found;
  const made = [...(kind === 'stepped' ? steppedCounts() : plainCounts(kind))]
    .map((counts) => ({ counts, size: Math.abs(standingRatio(counts)) }))
    .sort((a, b) => a.size - b.size);
  known.set(kind, made);
  return made;
}

/** The place of the first that is no smaller, by halving. */
function firstFrom(sorted: readonly SizedCounts[], size: number): number {
  let [low, high] = [0, sorted.length];
  while (low < high) {
    const middle = (low + high) >> 1;
    if (itemAt(sorted, middle).size < size) low = middle + 1;
    else high = middle;
  }
  return low;
}

function* plainCounts(kind: 'simple' | 'double-pinion'): Generator<GivenSet> {
  for (let sun = LEAST_SUN; sun <= MOST_SUN; sun++)
    for (let ring = sun + 2; ring <= MOST_RING; ring += 2) yield { id: '', kind, sun, ring };
}

/** Both steps of one module, so that sun, planet and ring are on one centre distance: S + P₁ = R − P₂. */
function* steppedCounts(): Generator<GivenSet> {
  for (let sun = LEAST_SUN; sun <= MOST_SUN; sun++)
    for (let planet = LEAST_SUN; planet <= MOST_STEP; planet++)
      for (let second = LEAST_SUN; second <= MOST_STEP; second++)
        if (planet !== second && sun + planet + second <= MOST_RING)
          yield { id: '', kind: 'stepped', sun, planet, second, ring: sun + planet + second };
}

const NEAR = 0.05;
/** A count that is the end of a range itself lies within it. */
const ROUNDING = 1e-12;

function isBuildable(set: GivenSet): boolean {
  const { kind, sun, ring } = set;
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
