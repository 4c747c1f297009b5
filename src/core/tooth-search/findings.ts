import { fraction, toFraction, toNumber } from '../rational';
import type { Train } from '../train';
import type { Fit, FitQuestion } from './fit';
import { deviation } from './ladder';
import type { Dials } from './outputs';
import type { FoundSet } from './planetary-sets';
import type { NamedRatio } from './question';
import type { CountPair, Chain } from './stage-fractions';
import { sharing } from './way';
import { partsById } from '../train';
import { itemAt, lookUp } from '../required';

/** What a finding is made of. */
export type ResultParts =
  | { readonly kind: 'chain'; readonly chain: Chain }
  | { readonly kind: 'sets'; readonly sets: readonly FoundSet[] }
  | { readonly kind: 'pairs'; readonly pairs: readonly CountPair[] }
  | { readonly kind: 'dials'; readonly dials: Dials }
  | { readonly kind: 'teeth'; readonly teeth: ReadonlyMap<string, number> };

/** One way to meet what is asked, ready to be listed. */
export interface SearchResult {
  /** Tells it apart from the others of its answer. */
  readonly key: string;
  readonly made: ResultParts;
  readonly ratios: readonly NamedRatio[];
  /** The largest of their errors; of a fit the largest weighted one. */
  readonly error: number;
  readonly largest: number;
  /** Teeth of all wheels together, each planet counted. */
  readonly teeth: number;
  /** Distances between shafts in modules, one for each pair. */
  readonly centres: readonly number[];
  /** Pairs whose counts have a factor in common. */
  readonly sharing: number;
}

/** Positions are numbered, ranges are letters, the slowest first. */
export const resultNames = (count: number, letters: boolean): readonly string[] =>
  Array.from({ length: count }, (_, i) => (letters ? String.fromCharCode(65 + i) : `${i + 1}`));

const centreOf = ([driver, driven, teeth]: CountPair): number =>
  (teeth === 'internal' ? driven - driver : driver + driven) / 2;

function fromPairs(pairs: readonly CountPair[]) {
  const wheels = pairs.flatMap(([a, b]) => [a, b]);
  return {
    largest: Math.max(...wheels),
    teeth: wheels.reduce((sum, count) => sum + count, 0),
    centres: pairs.map(centreOf),
    sharing: sharing(pairs),
  };
}

const keyOf = (pairs: readonly CountPair[]): string => pairs.map((pair) => pair.join('/')).join(' ');

export const chainFinding = (chain: Chain, ratio: NamedRatio): SearchResult => ({
  key: keyOf(chain),
  made: { kind: 'chain', chain },
  ratios: [ratio],
  error: ratio.error,
  ...fromPairs(chain),
});

export function pairsFinding(pairs: readonly CountPair[], wanted: readonly number[], worst: number): SearchResult {
  const names = resultNames(pairs.length, false);
  const ratios = pairs.map(([driver, driven], i): NamedRatio => {
    const ratio = fraction(driven, driver);
    return {
      id: itemAt(names, i),
      name: itemAt(names, i),
      ratio,
      wanted: itemAt(wanted, i),
      error: deviation(toNumber(ratio), itemAt(wanted, i)),
    };
  });
  return { key: keyOf(pairs), made: { kind: 'pairs', pairs }, ratios, error: worst, ...fromPairs(pairs) };
}

export function dialsFinding(dials: Dials): SearchResult {
  const pairs = dials.taps.flatMap(({ chain }) => chain);
  return {
    key: dials.taps.map(({ chain }) => keyOf(chain)).join(' | '),
    made: { kind: 'dials', dials },
    ratios: dials.taps.map(({ name, ratio, target, error }) => ({
      id: name,
      name,
      ratio,
      wanted: toNumber(target),
      error,
    })),
    error: dials.worst,
    ...fromPairs(pairs),
  };
}

/** The pairs of wheels that a result is made of; of a fit, which has a whole train, none. */
export function pairsOfResult({ made }: Pick<SearchResult, 'made'>): readonly CountPair[] {
  switch (made.kind) {
    case 'chain':
      return made.chain;
    case 'pairs':
      return made.pairs;
    case 'dials':
      return made.dials.taps.flatMap(({ chain }) => chain);
    case 'sets':
      return made.sets.flatMap(pairsOfSet);
    case 'teeth':
      return [];
  }
}

const pairsOfSet = ({ sun, planet, second = planet, ring }: FoundSet): readonly CountPair[] => [
  [sun, planet],
  [second, ring, 'internal'],
];

export function setsFinding(sets: readonly FoundSet[], ratio: NamedRatio): SearchResult {
  const meshes = sets.flatMap(pairsOfSet);
  return {
    key: sets.map((set) => `${set.sun}/${set.planet}/${set.second ?? ''}/${set.ring}×${set.copies}`).join(' '),
    made: { kind: 'sets', sets },
    ratios: [ratio],
    error: ratio.error,
    ...fromPairs(meshes),
    teeth: sets.reduce(
      (sum, { sun, planet, second = 0, ring, copies }) => sum + sun + ring + copies * (planet + second),
      0,
    ),
  };
}

export function fitFinding(
  { teeth, ratios, worst, errors }: Fit,
  train: Train,
  targets: FitQuestion['targets'],
): SearchResult {
  const counts = new Map(train.gears.map((gear) => [gear.id, teeth.get(gear.id) ?? gear.teeth]));
  const pairs = train.meshes
    .filter((mesh) => mesh.gears.some((id) => teeth.has(id)))
    .map(({ gears: [a, b] }): CountPair => [lookUp(counts, a), lookUp(counts, b)]);
  const nameOf = (id: string) => partsById(train).find.position(id)?.name ?? id;
  return {
    key: [...teeth.values()].join(' '),
    made: { kind: 'teeth', teeth },
    ratios: [...ratios].map(([id, ratio]) => ({
      id,
      name: nameOf(id),
      ratio,
      wanted: toNumber(lookUp(targets, id).ratio),
      error: lookUp(errors, id),
    })),
    error: worst,
    largest: Math.max(...counts.values()),
    teeth: [...counts.values()].reduce((sum, count) => sum + count, 0),
    centres: [],
    sharing: sharing(pairs),
  };
}

/** What is counted, in words: "18/54 · 20/60". */
export function countsText(
  { made }: Pick<SearchResult, 'made'>,
  nameOf: (gear: string) => string = (gear) => gear,
): string {
  const pairText = ([a, b, teeth]: CountPair) => `${a}/${b}${teeth ? ' inside' : ''}`;
  switch (made.kind) {
    case 'chain':
      return made.chain.map(pairText).join(' · ');
    case 'pairs':
      return made.pairs.map(pairText).join(' · ');
    case 'dials':
      return made.dials.taps.map(({ name, chain }) => `${chain.map(pairText).join(' · ')} → ${name}`).join(' · ');
    case 'sets':
      return made.sets
        .map(
          ({ sun, planet, second, ring, copies, angles }) =>
            `${sun} · ${second === undefined ? planet : `${planet}/${second}`} · ${ring}, ${copies} ` +
            `planets${angles ? ` at ${angles.map((at) => toFraction(at)).join(', ')} turn` : ''}`,
        )
        .join(' + ');
    case 'teeth':
      return [...made.teeth].map(([gear, count]) => `${nameOf(gear)} ${count}`).join(', ');
  }
}
