import type { FitBlock } from './fit-blocks';
import { itemAt } from '../required';

/** How good counts are; NaN where they are not allowed. */
export type Attempt = (counts: number[]) => number;

const BATCH = 64;

/** Every choice of an option for each block. @returns false where it was stopped before the last one. */
export function tryAllCounts(
  blocks: readonly FitBlock[],
  start: readonly number[],
  attempt: Attempt,
  goOn: () => boolean,
): boolean {
  const counts = [...start];
  let asked = 0;
  const go = (k: number): boolean => {
    const block = blocks[k];
    if (!block) {
      attempt([...counts]);
      return ++asked % BATCH !== 0 || goOn();
    }
    for (const option of block.options) {
      put(counts, block, option);
      if (!go(k + 1)) return false;
    }
    return true;
  };
  return go(0);
}

/** Options of a block that are tried from where it is: the nearest ones. */
const NEAREST = 48;
/** The same where two blocks change together. */
const NEAREST_OF_TWO = 14;

/**
 * Goes downhill from the present counts, then from options drawn at random (always the same ones), one or two blocks at
 * a time, until no more may be tried.
 */
export function exchangeCounts(
  blocks: readonly FitBlock[],
  start: readonly number[],
  attempt: Attempt,
  goOn: () => boolean,
): void {
  const random = drawn(1);
  let counts = [...start];
  for (let idle = 0; goOn() && idle < 2000; counts = scattered()) {
    let value = attempt([...counts]);
    idle = Number.isNaN(value) ? idle + 1 : 0;
    // Where the present counts lie outside what is allowed, there is no hill to go down.
    for (let better = !Number.isNaN(value); better && goOn();) {
      better = false;
      for (const next of neighbours(counts)) {
        const found = attempt([...next]);
        if (found < value) [counts, value, better] = [next, found, true];
        if (better || !goOn()) break;
      }
    }
  }

  function scattered(): number[] {
    const next = [...start];
    for (const block of blocks) {
      const option = block.options[Math.floor(random() * block.options.length)];
      if (option) put(next, block, option);
    }
    return next;
  }

  function* neighbours(from: readonly number[]): Generator<number[]> {
    const near = blocks.map((block) => nearest(block, from));
    for (const [i, block] of blocks.entries())
      for (const option of itemAt(near, i)) yield moved(from, [[block, option]]);
    for (const [i, a] of blocks.entries())
      for (const [k, b] of blocks.entries())
        if (k > i)
          for (const x of itemAt(near, i).slice(0, NEAREST_OF_TWO))
            for (const y of itemAt(near, k).slice(0, NEAREST_OF_TWO))
              yield moved(from, [
                [a, x],
                [b, y],
              ]);
  }
}

type Option = readonly number[];

function nearest({ gears, options }: FitBlock, counts: readonly number[]): readonly Option[] {
  const away = (option: Option) =>
    option.reduce((sum, count, i) => sum + Math.abs(count - itemAt(counts, itemAt(gears, i))), 0);
  return options
    .map((option) => ({ option, far: away(option) }))
    .filter(({ far }) => far > 0)
    .sort((a, b) => a.far - b.far)
    .slice(0, NEAREST)
    .map(({ option }) => option);
}

function moved(counts: readonly number[], changes: readonly (readonly [FitBlock, Option])[]): number[] {
  const next = [...counts];
  for (const [block, option] of changes) put(next, block, option);
  return next;
}

function put(counts: number[], { gears }: FitBlock, option: Option): void {
  gears.forEach((gear, i) => (counts[gear] = itemAt(option, i)));
}

/** A row of numbers from 0 to 1 that is the same every time (Park and Miller). */
function drawn(seed: number): () => number {
  let at = seed;
  return () => (at = (at * 48_271) % 2_147_483_647) / 2_147_483_647;
}
