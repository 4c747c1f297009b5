import { toFraction, type Rational } from '../rational';
import type { Network } from '../kinematics';
import type { Status } from '../solve';
import { combinedCouplers, walkCombinations } from './combinations';
import { itemAt, lookUp } from '../required';

/** In the order of the codes in a table; 0 stands for a combination that was not looked at yet. */
const STATUSES: readonly Status[] = ['drive', 'split', 'neutral', 'held', 'locked'];

/**
 * Every combination of a train's couplers in a few bytes each, so that it passes from a worker to the page as it is. A
 * combination is a number: its bit k says whether coupler k is engaged.
 */
export interface CombinationTable {
  /** Sorted by id; without one-way clutches. */
  readonly couplers: readonly string[];
  /** By number: 1 + the place of its status. */
  readonly codes: Uint8Array;
  /** By number: the place of its ratio among `ratios`; −1 where it has none. */
  readonly ratioAt: Int32Array;
  /** Different ratios, exact; input speed over output speed. */
  readonly ratios: readonly string[];
  /** How many have been looked at. */
  readonly done: number;
}

/** Looked at between two questions whether it is time to tell. */
const BATCH = 64;

/**
 * Solves every combination.
 * @param tell is given the table as it stands whenever isDue says so: the core reads no clock
 * @throws RangeError with too many couplers.
 */
export function tabulateCombinations(
  network: Network,
  tell: (table: CombinationTable) => void = () => undefined,
  isDue: () => boolean = () => false,
): CombinationTable {
  const couplers = combinedCouplers(network);
  const bit = new Map(couplers.map((id, k) => [id, 1 << k]));
  const ratios: string[] = [];
  const places = new Map<string, number>();
  const place = (ratio: Rational) => {
    const key = toFraction(ratio);
    if (!places.has(key)) places.set(key, ratios.push(key) - 1);
    return lookUp(places, key);
  };
  const walk = walkCombinations(network);
  const total = 2 ** couplers.length;
  const [codes, ratioAt] = [new Uint8Array(total), new Int32Array(total).fill(-1)];
  let done = 0;
  for (const { engaged, status, ratio } of walk) {
    const number = engaged.reduce((sum, id) => sum | lookUp(bit, id), 0);
    codes[number] = 1 + STATUSES.indexOf(status);
    if (ratio) ratioAt[number] = place(ratio);
    if (++done % BATCH !== 0 || done === total || !isDue()) continue;
    tell({ couplers, codes: codes.slice(), ratioAt: ratioAt.slice(), ratios: [...ratios], done });
  }
  return { couplers, codes, ratioAt, ratios, done };
}

/** The couplers of a combination. */
export const engagedIn = ({ couplers }: CombinationTable, number: number): readonly string[] =>
  couplers.filter((_, k) => number & (1 << k));

/** The number of a combination; couplers that are no part of combinations do not count. */
export const numberOf = ({ couplers }: CombinationTable, engaged: readonly string[]): number =>
  couplers.reduce((sum, id, k) => (engaged.includes(id) ? sum | (1 << k) : sum), 0);

/** Null where it was not looked at yet. */
export const statusAt = ({ codes }: CombinationTable, number: number): Status | null =>
  STATUSES[itemAt(codes, number) - 1] ?? null;

export const ratioOfCombination = ({ ratioAt, ratios }: CombinationTable, number: number): string | null =>
  ratios[itemAt(ratioAt, number)] ?? null;

/** How many there are of each status. */
export function countByStatus({ codes }: CombinationTable): Readonly<Record<Status, number>> {
  const counts = { drive: 0, split: 0, neutral: 0, held: 0, locked: 0 };
  for (const code of codes) if (code > 0) counts[itemAt(STATUSES, code - 1)]++;
  return counts;
}

/** Bits that are set. */
export function countEngaged(number: number): number {
  let count = 0;
  for (let left = number; left !== 0; left &= left - 1) count++;
  return count;
}
