import type { Condition } from './fit-conditions';
import { following, meetsConditions, type Follows } from './fit-conditions';
import type { CountSpan } from './planetary';
import { itemAt, lookUp } from '../required';

/** Gears whose counts are chosen together: they have to hold something among them, or one gear is by itself. */
export interface FitBlock {
  readonly gears: readonly number[];
  /** Counts of these gears that hold what has to hold, one of each. */
  readonly options: readonly (readonly number[])[];
}

/** What may be chosen, and what follows from it. */
export interface Choices {
  readonly blocks: readonly FitBlock[];
  /** Counts that follow from what was chosen, where a block would have had too many options to be listed. */
  readonly follows: readonly Follows[];
  readonly left: readonly Condition[];
}

/** Options of one block that are listed. */
const MOST_OPTIONS = 100_000;

/**
 * The free gears as blocks: what is tied by conditions is chosen together, out of a list of what holds them. So nearly
 * every choice of a block each is a good one, where counts drawn by themselves would nearly always break some set.
 */
export function choicesOf(
  spans: ReadonlyMap<number, CountSpan>,
  conditions: readonly Condition[],
  start: readonly number[],
): Choices {
  const blocks: FitBlock[] = [];
  const follows: Follows[] = [];
  const left: Condition[] = [];
  for (const gears of tied([...spans.keys()], conditions)) {
    const own = conditions.filter((condition) => condition.gears.some((gear) => gears.includes(gear)));
    const settled = following(own, new Set(gears));
    const chosen = gears.filter((gear) => !settled.some((one) => one.gear === gear));
    const size = chosen.reduce((product, gear) => product * width(lookUp(spans, gear)), 1);
    if (size <= MOST_OPTIONS) {
      blocks.push({ gears, options: optionsOf(gears, chosen, settled, own, spans, start) });
      continue;
    }
    for (const gear of chosen)
      blocks.push({ gears: [gear], options: counts(lookUp(spans, gear)).map((count) => [count]) });
    follows.push(...settled);
    left.push(...own);
  }
  return { blocks, follows, left };
}

/** The present counts where they hold what has to hold; else the first of what does. */
export function soundCounts(
  blocks: readonly FitBlock[],
  conditions: readonly Condition[],
  start: readonly number[],
): readonly number[] {
  if (meetsConditions(conditions, start)) return start;
  const counts = [...start];
  for (const { gears, options } of blocks)
    gears.forEach((gear, i) => (counts[gear] = options[0]?.[i] ?? itemAt(start, gear)));
  return counts;
}

const width = ([least, most]: CountSpan): number => most - least + 1;
const counts = ([least, most]: CountSpan): readonly number[] =>
  Array.from({ length: most - least + 1 }, (_, i) => least + i);

/** Free gears in groups that conditions tie together. */
function tied(gears: readonly number[], conditions: readonly Condition[]): readonly (readonly number[])[] {
  const groups: number[][] = [];
  for (const gear of gears) {
    const near = new Set(conditions.filter((one) => one.gears.includes(gear)).flatMap((one) => one.gears));
    const touched = groups.filter((group) => group.some((other) => near.has(other)));
    for (const group of touched) groups.splice(groups.indexOf(group), 1);
    groups.push([...touched.flat(), gear]);
  }
  return groups;
}

function optionsOf(
  gears: readonly number[],
  chosen: readonly number[],
  settled: readonly Follows[],
  conditions: readonly Condition[],
  spans: ReadonlyMap<number, CountSpan>,
  start: readonly number[],
): readonly (readonly number[])[] {
  const now = [...start];
  const options: (readonly number[])[] = [];
  const within = (gear: number) =>
    Number.isInteger(itemAt(now, gear)) &&
    itemAt(now, gear) >= lookUp(spans, gear)[0] &&
    itemAt(now, gear) <= lookUp(spans, gear)[1];
  const go = (k: number): void => {
    const gear = chosen[k];
    if (gear !== undefined) {
      for (const count of counts(lookUp(spans, gear))) {
        now[gear] = count;
        go(k + 1);
      }
      return;
    }
    for (const { gear: follower, from } of settled) now[follower] = from(now);
    if (gears.every(within) && meetsConditions(conditions, now)) options.push(gears.map((one) => itemAt(now, one)));
  };
  go(0);
  return options;
}
