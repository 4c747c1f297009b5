import type { SchemeResult } from '@/core/schemes';

/** What of a scheme is better the smaller it is. */
const costs = ({ figures, found }: SchemeResult): readonly number[] => [
  figures.worst,
  found.selection.single ? 0 : 1,
  found.selection.elements.length,
  figures.fastestMember,
  figures.fastestPlanet,
  figures.elementTorque,
  figures.recirculation,
  -(figures.efficiency?.[0] ?? 0),
];

/** Nobody builds what carries more power round in a circle than this, per power at the input, or loses more. */
const [MOST_RECIRCULATION, LEAST_EFFICIENCY] = [3, 0.6];

const isSensible = ({ figures }: SchemeResult): boolean =>
  figures.recirculation <= MOST_RECIRCULATION && (figures.efficiency?.[0] ?? 1) >= LEAST_EFFICIENCY;

/**
 * Schemes that none of the others beats: as good in everything, and better in something. What is best only for its
 * ratios, and recirculates or loses beyond all use, is none of them.
 */
export function undominated(results: readonly SchemeResult[]): readonly SchemeResult[] {
  const all = results.filter(isSensible).map((result) => ({ result, own: costs(result) }));
  return all.filter(({ own }) => !all.some((other) => beats(other.own, own))).map(({ result }) => result);
}

const NEAR = 1e-9;
const beats = (a: readonly number[], b: readonly number[]): boolean =>
  a.every((one, i) => one <= (b[i] ?? 0) + NEAR) && a.some((one, i) => one < (b[i] ?? 0) - NEAR);
