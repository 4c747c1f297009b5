import { entryAt, toNumber } from '../rational';
import { elementsIn, joined, overlaps, sizeOf, type ElementSet } from './element-set';
import { matchWishes, type ElementLimits } from './matching';
import { asFound, choicesOf, elementLimits, filledBy, isReverse, keyOf, ratioOf, type Offer } from './offer';
import type { FoundScheme } from './scheme';
import { needsOf } from './system';
import { bestOfUnions } from './unions';

/**
 * The best elements with which a scheme gives every wish; null where there are none. Whatever the elements are, some of
 * them give the rare wishes: so unions of those choices, filled up where there is room, are all that can be; each is
 * then looked at with all that it gives.
 */
export function bestSelection(offer: Offer): FoundScheme | null {
  const { single } = offer.question;
  if (single === 'any') return bestOf(offer, false);
  return bestOf(offer, true) ?? (single === 'preferred' ? bestOf(offer, false) : null);
}

function bestOf(offer: Offer, single: boolean): FoundScheme | null {
  const limits = elementLimits(offer.question, offer.system);
  const needs = needsOf(offer.system, offer.ends);
  const isHeld = (all: ElementSet) => needs.every((on) => overlaps(on, all));
  return offer.lists.length === offer.wishes.length
    ? bestOfAllListed(offer, limits, single, isHeld)
    : bestOfUnions(offer, limits, single, isHeld);
}

/** Where every wish is listed: one choice for each, and then a reverse with as few more elements as it takes. */
function bestOfAllListed(
  offer: Offer,
  limits: ElementLimits,
  single: boolean,
  isHeld: (all: ElementSet) => boolean,
): FoundScheme | null {
  const { lists, low, high } = offer;
  const known = new Map<number, readonly Completion[]>();
  const completionsOf = (union: ElementSet): readonly Completion[] => {
    const key = keyOf(union);
    const made = known.get(key) ?? completions(offer, union, limits, isHeld);
    known.set(key, made);
    return made;
  };
  const matched = matchWishes(lists, low, high, limits, single, ({ choices, union, worst }) => {
    const chosen = choices.map((choice) => ({ low: low[choice] as number, high: high[choice] as number }));
    for (const { used, reverse } of completionsOf(union)) {
      const found = asFound(offer, chosen, worst, used, reverse);
      if (offer.admits(found)) return { count: sizeOf(used), found };
    }
    return null;
  });
  return matched && matched.more.found;
}

/** All elements of a scheme, and those that are engaged in its reverse. */
interface Completion {
  readonly used: ElementSet;
  readonly reverse: ElementSet | null;
}

/**
 * What makes the elements of the forward ratios a scheme: a reverse where one is asked for, so that nothing turns idly;
 * the fewest elements before others, then the reverse that is nearest in size to the first ratio.
 */
function completions(
  offer: Offer,
  union: ElementSet,
  limits: ElementLimits,
  isHeld: (all: ElementSet) => boolean,
): readonly Completion[] {
  if (offer.question.reverse === 'none') return isHeld(union) ? [{ used: union, reverse: null }] : [];
  const found = new Map<number, Completion>();
  for (let extra = 0; extra <= Math.min(limits.atMost - sizeOf(union), offer.system.engaged); extra++)
    for (const all of filledBy(offer.system, union, extra, limits))
      for (const reverse of reversesOf(offer, all)) {
        const used = joined(union, reverse);
        // With fewer of the extra ones it was found before.
        if (sizeOf(used) === sizeOf(all) && isHeld(used)) found.set(keyOf(reverse), { used, reverse });
      }
  return [...found.values()];
}

/** Reverses that some of these elements make, the one nearest in size to the first ratio before the others. */
function reversesOf(offer: Offer, all: ElementSet): readonly ElementSet[] {
  const { question, system, ends, keepsSpeeds } = offer;
  const first = toNumber(entryAt(question.forward, 0));
  const found: { readonly set: ElementSet; readonly far: number }[] = [];
  for (const engaged of choicesOf(elementsIn(all), system.engaged)) {
    const motion = system.motions.with(engaged);
    const ratio = ratioOf(motion, ends, keepsSpeeds);
    if (ratio !== null && isReverse(question, ratio))
      found.push({ set: motion.elements, far: Math.abs(Math.log(-ratio / first)) });
  }
  return found.sort((a, b) => a.far - b.far).map(({ set }) => set);
}
