import { toNumber } from '../../rational';
import { choose } from '../choose';
import type { SchemeQuestion } from '../question';

/** What must be found once one element of a scheme is taken as engaged for good. */
export interface Demand {
  /** How many other elements there are. */
  readonly others: number;
  /** So many of the wishes are given by two of these at least. */
  readonly least: number;
  /** The wishes that are looked for, as few as will do: those far from direct, which little gives. */
  readonly wishes: readonly number[];
}

/** Elements engaged at once in the schemes that this is for. */
export const ENGAGED = 3;

/**
 * Where so many positions are asked of so few elements that nearly every three of them give one, schemes are found from
 * what is left with one element engaged for good. Of k elements each wish takes three, so that some element takes part
 * in at least 3/k of them; among the others some one takes part in at least 2/(k − 1) of these. Where that means that
 * the two give a wish with each of the rest, there are few such groups. Null where it does not, or where one ratio may
 * be meant by two wishes, so that two elements that do the same are of use.
 */
export function demandOf({ forward, atMost, brakes, clutches }: SchemeQuestion, tolerance: number): Demand | null {
  const wishes = forward.map(toNumber);
  const all = Math.min(atMost, (brakes ?? atMost) + (clutches ?? atMost));
  const others = all - 1;
  if (others < ENGAGED - 1 || wishes.length > choose(all, ENGAGED) || areNear(wishes, tolerance)) return null;
  const leastOf = (count: number) => Math.ceil((count * ENGAGED) / all);
  const isFull = (least: number) => Math.ceil((least * 2) / others) === others - 1 && least > others - 1;
  if (!isFull(leastOf(wishes.length))) return null;
  const listed = [...wishes].sort((a, b) => Math.abs(Math.log(b)) - Math.abs(Math.log(a)));
  while (isFull(leastOf(listed.length - 1))) listed.pop();
  return { others, least: leastOf(listed.length), wishes: listed };
}

const areNear = (wishes: readonly number[], tolerance: number): boolean =>
  [...wishes]
    .sort((a, b) => a - b)
    .some(
      (wish, i, sorted) => i > 0 && (sorted[i - 1] ?? 0) * (1 + tolerance) * (1 + ROUNDING) >= wish * (1 - tolerance),
    );

const ROUNDING = 1e-9;
