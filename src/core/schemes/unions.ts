import { entryAt, toNumber } from '../rational';
import { elementsIn, joined, NO_ELEMENTS, sizeOf, type ElementSet } from './element-set';
import { choose } from './choose';
import { isWithin, matchWishes, type Candidates, type ElementLimits } from './matching';
import { asFound, choicesOf, filledBy, isReverse, keyOf, ratioOf, type Offer } from './offer';
import type { FoundScheme } from './scheme';
import { ROUNDING } from './wish-table';

/** Where only the rare wishes are listed: all that can be made of their choices, each with all that it gives. */
export function bestOfUnions(
  offer: Offer,
  limits: ElementLimits,
  single: boolean,
  isHeld: (all: ElementSet) => boolean,
): FoundScheme | null {
  let best: FoundScheme | null = null;
  const seen = new Set<number>();
  visitUnions(offer, limits, (all) => {
    const key = keyOf(all);
    if (!isHeld(all) || seen.has(key)) return;
    seen.add(key);
    const found = bestWithin(offer, all, limits, single, isHeld, best);
    if (found) best = found;
  });
  return best;
}

/** Sets of elements that give every listed wish, with each way to fill them up to as many as there may be. */
function visitUnions(
  { low, high, lists: given, system }: Offer,
  limits: ElementLimits,
  visit: (all: ElementSet) => void,
): void {
  const lists = [...given].sort((a, b) => a.choices.length - b.choices.length);
  /** With no room left, whatever gives the wishes that are left is among these elements. */
  const givesRest = (from: number, union: ElementSet): boolean => {
    for (let at = from; at < lists.length; at++) {
      const within = lists[at]?.choices.some(
        (choice) => ((low[choice] as number) & ~union.low) === 0 && ((high[choice] as number) & ~union.high) === 0,
      );
      if (!within) return false;
    }
    return true;
  };
  const take = (at: number, union: ElementSet): void => {
    const spare = limits.atMost - sizeOf(union);
    if (spare === 0) return givesRest(at, union) ? visit(union) : undefined;
    const list = lists[at];
    if (!list) {
      for (let extra = 0; extra <= spare; extra++) for (const all of filledBy(system, union, extra, limits)) visit(all);
      return;
    }
    for (const choice of list.choices) {
      const next = joined(union, { low: low[choice] as number, high: high[choice] as number });
      if (isWithin(limits, next.low, next.high)) take(at + 1, next);
    }
  };
  take(0, NO_ELEMENTS);
}

/** What these elements give, where it is better than what is known. */
function bestWithin(
  offer: Offer,
  all: ElementSet,
  limits: ElementLimits,
  single: boolean,
  isHeld: (all: ElementSet) => boolean,
  known: FoundScheme | null,
): FoundScheme | null {
  const given = givenBy(offer, all);
  if (!given) return null;
  const { low, high, wishes, reverses } = given;
  const isBetter = (worst: number, count: number) =>
    known === null ||
    worst < known.selection.worst - ROUNDING ||
    (worst <= known.selection.worst + ROUNDING && count < known.selection.elements.length);
  const matched = matchWishes(wishes, low, high, limits, single, ({ choices, union, worst }) => {
    const chosen = choices.map((choice) => ({ low: low[choice] as number, high: high[choice] as number }));
    const found = reverses
      .map((reverse) => ({ reverse, used: reverse ? joined(union, reverse) : union }))
      .filter(({ used }) => isHeld(used) && isBetter(worst, sizeOf(used)))
      .sort((a, b) => sizeOf(a.used) - sizeOf(b.used))
      .map(({ reverse, used }) => ({ count: sizeOf(used), found: asFound(offer, chosen, worst, used, reverse) }))
      .find((one) => offer.admits(one.found));
    return found ?? null;
  });
  return matched && matched.more.found;
}

interface Given {
  readonly low: readonly number[];
  readonly high: readonly number[];
  readonly wishes: readonly Candidates[];
  /** The one nearest in size to the first ratio before the others; no reverse where none is asked for. */
  readonly reverses: readonly (ElementSet | null)[];
}

/** Every position that some of these elements make; null where a wish stays without. */
function givenBy(offer: Offer, all: ElementSet): Given | null {
  const { question, system, ends, keepsSpeeds } = offer;
  const [low, high]: [number[], number[]] = [[], []];
  const wishes = offer.wishes.map(() => ({ choices: [] as number[], off: [] as number[] }));
  const reverses: { readonly set: ElementSet; readonly far: number }[] = [];
  const first = toNumber(entryAt(question.forward, 0));
  const own = elementsIn(all);
  let left = choose(own.length, system.engaged);
  const missing = () =>
    wishes.reduce((count, { choices }) => count + (choices.length === 0 ? 1 : 0), 0) +
    (question.reverse !== 'none' && reverses.length === 0 ? 1 : 0);
  for (const engaged of choicesOf(own, system.engaged)) {
    // Each wish takes a position of its own.
    if (left < missing()) return null;
    left--;
    const motion = system.motions.with(engaged);
    const ratio = ratioOf(motion, ends, keepsSpeeds);
    if (ratio === null) continue;
    const set = motion.elements;
    if (isReverse(question, ratio)) reverses.push({ set, far: Math.abs(Math.log(-ratio / first)) });
    offer.wishes.forEach((wish, i) => {
      const off = Math.abs(ratio / wish - 1);
      if (off > offer.tolerance + ROUNDING) return;
      wishes[i]?.choices.push(low.length);
      wishes[i]?.off.push(off);
    });
    low.push(set.low);
    high.push(set.high);
  }
  if (wishes.some(({ choices }) => choices.length === 0)) return null;
  if (question.reverse === 'none') return { low, high, wishes, reverses: [null] };
  const nearest = reverses.sort((a, b) => a.far - b.far).map(({ set }) => set);
  return nearest.length > 0 ? { low, high, wishes, reverses: nearest } : null;
}
