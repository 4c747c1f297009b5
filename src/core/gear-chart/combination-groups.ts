import { parseRational, toNumber } from '../rational';
import type { Status } from '../solve';
import { countEngaged, numberOf, ratioOfCombination, statusAt, type CombinationTable } from './combination-table';
import { itemAt, lookUp, required } from '../required';

/** Which combinations are wanted; what is left out does not matter. */
export interface CombinationFilter {
  readonly status?: Status;
  readonly fewest?: number;
  readonly most?: number;
  /** Sizes of the ratio, input over output. */
  readonly ratioFrom?: number;
  readonly ratioTo?: number;
  readonly way?: 'same way' | 'reverse';
  /** Not these: what is in the chart already. */
  readonly except?: readonly (readonly string[])[];
  /** Nor what comes to one of these ratios, exact. */
  readonly exceptRatios?: readonly string[];
  /** One off, one on, or one for one, from these. */
  readonly oneChangeFrom?: readonly string[];
  readonly without?: readonly string[];
  readonly with?: readonly string[];
}

/** Combinations that come to the same: of one status, and where they drive of one exact ratio. */
export interface CombinationGroup {
  readonly status: Status;
  readonly ratio: string | null;
  /** Fewest engaged first. */
  readonly numbers: readonly number[];
}

/**
 * The combinations that a filter lets through, in groups: those that drive by ratio, largest first, then the rest by
 * status.
 */
export function groupCombinations(table: CombinationTable, filter: CombinationFilter): readonly CombinationGroup[] {
  const lets = passes(table, filter);
  const groups = new Map<string, { status: Status; ratio: string | null; numbers: number[] }>();
  for (let number = 0; number < table.codes.length; number++) {
    const status = statusAt(table, number);
    if (!status || !lets(number, status)) continue;
    const ratio = ratioOfCombination(table, number);
    const key = ratio ?? status;
    const group = groups.get(key);
    if (group) group.numbers.push(number);
    else groups.set(key, { status, ratio, numbers: [number] });
  }
  const size = new Map([...groups.values()].map((group) => [group, group.ratio ? sizeOf(group.ratio) : -1]));
  for (const { numbers } of groups.values()) numbers.sort((a, b) => countEngaged(a) - countEngaged(b) || a - b);
  return [...groups.values()].sort((a, b) => lookUp(size, b) - lookUp(size, a) || a.status.localeCompare(b.status));
}

const sizeOf = (ratio: string): number => Math.abs(toNumber(required(parseRational(ratio))));

function passes(table: CombinationTable, filter: CombinationFilter): (number: number, status: Status) => boolean {
  const { fewest = 0, most = Infinity, ratioFrom = 0, ratioTo = Infinity } = filter;
  const known = new Set(filter.exceptRatios);
  const except = new Set((filter.except ?? []).map((engaged) => numberOf(table, engaged)));
  const near = filter.oneChangeFrom && numberOf(table, filter.oneChangeFrom);
  const without = numberOf(table, filter.without ?? []);
  const needed = numberOf(table, filter.with ?? []);
  const byRatio = filter.ratioFrom !== undefined || filter.ratioTo !== undefined || filter.way !== undefined;
  const ratioFits = table.ratios.map((ratio) => {
    const size = sizeOf(ratio);
    const way = ratio.startsWith('-') ? 'reverse' : 'same way';
    return size >= ratioFrom && size <= ratioTo && (filter.way === undefined || filter.way === way);
  });
  return (number, status) => {
    const count = countEngaged(number);
    return (
      (filter.status === undefined || status === filter.status) &&
      count >= fewest &&
      count <= most &&
      !(number & without) &&
      (number & needed) === needed &&
      !except.has(number) &&
      !known.has(ratioOfCombination(table, number) ?? '') &&
      (near === undefined || isOneChange(near, number)) &&
      (!byRatio || (ratioFits[itemAt(table.ratioAt, number)] ?? false))
    );
  };
}

/** At most one goes off and at most one comes on, and something does. */
function isOneChange(from: number, to: number): boolean {
  return from !== to && countEngaged(from & ~to) <= 1 && countEngaged(to & ~from) <= 1;
}

/** A smallest set of couplers that locks the train. */
export interface LockCause {
  readonly number: number;
  /** Combinations that it locks: all with these engaged. */
  readonly kills: number;
}

/**
 * The smallest causes of all lock-ups, each once: none of their couplers can be spared. Those that lock most come
 * first.
 */
export function lockCauses(table: CombinationTable): readonly LockCause[] {
  const locked = (number: number) => statusAt(table, number) === 'locked';
  const kills = supersetCounts(table, locked);
  const causes: LockCause[] = [];
  for (let number = 0; number < table.codes.length; number++)
    if (locked(number) && table.couplers.every((_, k) => !(number & (1 << k)) || !locked(number ^ (1 << k))))
      causes.push({ number, kills: itemAt(kills, number) });
  return causes.sort((a, b) => b.kills - a.kills || a.number - b.number);
}

/** For each number, how many of those that contain it are so: the sum over supersets, one coupler at a time (Yates). */
function supersetCounts(table: CombinationTable, is: (number: number) => boolean): Uint32Array {
  const counts = Uint32Array.from(table.codes, (_, number) => (is(number) ? 1 : 0));
  for (let k = 0; k < table.couplers.length; k++)
    for (let number = 0; number < counts.length; number++)
      if (!(number & (1 << k))) counts[number] = itemAt(counts, number) + itemAt(counts, number | (1 << k));
  return counts;
}

/** Forward ratios that some combination gives and none of these positions: exact, largest first. */
export function missingForward(table: CombinationTable, listed: readonly string[]): readonly string[] {
  return table.ratios
    .filter((ratio) => !ratio.startsWith('-') && !listed.includes(ratio))
    .sort((a, b) => sizeOf(b) - sizeOf(a));
}
