import type { Best } from './best';
import { UNWATCHED, type SearchWatch } from './watch';

/** The clock is looked at every so many steps. */
const STEPS_A_LOOK = 65_536;
const isOver = (step: number, watch: SearchWatch): boolean => step % STEPS_A_LOOK === 0 && watch.over();

/**
 * All products of two values of a sorted list that may be among the best. As the smaller factor falls, the larger one
 * that brings the product to what is wanted rises, so the list is gone through once by two pointers (Horowitz and
 * Sahni's sweep), from the middle outward: the most even products, of which there are most, come first and soon leave
 * little to look at.
 * @param left what the product is to come to.
 * @param take is given the places of both factors, the first not larger.
 * @returns false where the time was over before the end.
 */
export function sweep<T>(
  values: Float64Array,
  left: number,
  best: Best<T>,
  take: (i: number, j: number) => void,
  watch: SearchWatch = UNWATCHED,
): boolean {
  let [least, most] = [left * best.from, left * best.to];
  const taken = (i: number, j: number) => {
    take(i, j);
    [least, most] = [left * best.from, left * best.to];
  };
  const look = (i: number, crossing: number) => {
    const a = values[i]!;
    for (let j = crossing - 1; j >= i && a * values[j]! >= least; j--) taken(i, j);
    for (let j = crossing; j < values.length && a * values[j]! <= most; j++) taken(i, j);
  };
  const root = firstAbove(values, Math.sqrt(left));
  let crossing = root;
  for (let i = root - 1; i >= 0; i--) {
    if (isOver(i, watch)) return false;
    const a = values[i]!;
    while (crossing < values.length && a * values[crossing]! <= left) crossing++;
    // Even the largest value leaves the product too small, and the factor falls.
    if (crossing === values.length && a * values[crossing - 1]! < least) break;
    look(i, crossing);
  }
  for (let i = root; i < values.length && values[i]! * values[i]! <= most; i++) look(i, i);
  return true;
}

/**
 * The same with a value out of each of two lists: as the first factor rises, the second falls.
 * @param take is given the place in each list.
 */
export function sweepTwo<T>(
  first: Float64Array,
  second: Float64Array,
  left: number,
  best: Best<T>,
  take: (i: number, j: number) => void,
  watch: SearchWatch = UNWATCHED,
): boolean {
  let crossing = second.length;
  // From the middle of the first list upward, then downward: what is found there leaves little to look at elsewhere.
  const middle = first.length >> 1;
  const look = (i: number) => {
    const a = first[i]!;
    for (let j = crossing - 1; j >= 0 && a * second[j]! >= left * best.from; j--) take(i, j);
    for (let j = crossing; j < second.length && a * second[j]! <= left * best.to; j++) take(i, j);
  };
  for (let i = middle; i < first.length; i++) {
    if (isOver(i, watch)) return false;
    while (crossing > 0 && first[i]! * second[crossing - 1]! > left) crossing--;
    look(i);
  }
  if (middle === 0) return true;
  crossing = firstAbove(second, left / first[middle - 1]!);
  for (let i = middle - 1; i >= 0; i--) {
    if (isOver(i, watch)) return false;
    while (crossing < second.length && first[i]! * second[crossing]! <= left) crossing++;
    look(i);
  }
  return true;
}

/** The place of the first value above this one. */
function firstAbove(values: Float64Array, value: number): number {
  let [from, to] = [0, values.length];
  while (from < to) {
    const middle = (from + to) >> 1;
    if (values[middle]! <= value) from = middle + 1;
    else to = middle;
  }
  return from;
}
