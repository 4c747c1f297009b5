import { entryAt, toNumber } from '../rational';
import { elementSet, elementsIn, joined, overlaps, sizeOf, type ElementSet } from './element-set';
import { choose } from './layouts';
import { ROUNDING, STILL, type Gathered } from './gather';
import { isWithin, matchWishes, type Candidates, type ElementLimits } from './matching';
import { motionWith } from './motions';
import type { SchemeQuestion } from './question';
import { isSingle, type FoundScheme, type Scheme, type SchemeElement } from './scheme';
import { needsOf, type Ends, type System } from './system';

/** What is asked of one choice of connections, and what it offers. */
export interface Offer {
  readonly question: SchemeQuestion;
  readonly system: System;
  readonly standings: readonly number[];
  readonly ends: Ends;
  readonly wishes: readonly number[];
  readonly tolerance: number;
  readonly low: Gathered['low'];
  readonly high: Gathered['high'];
  /** Choices that give the listed wishes, by wish. */
  readonly lists: readonly Candidates[];
  readonly keepsSpeeds: (speeds: Float64Array, input: number) => boolean;
  /** Whether what its speeds do not tell keeps within the limits. */
  readonly admits: (found: FoundScheme) => boolean;
}

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
  const { lists, low, high, system } = offer;
  const finished = new Map<number, ElementSet | null>();
  /** These elements and the fewest besides with which there is a reverse, and nothing turns idly. */
  const finish = (union: ElementSet): ElementSet | null => {
    const key = keyOf(union);
    const known = finished.get(key);
    if (known !== undefined) return known;
    const spare = limits.atMost - sizeOf(union);
    let found: ElementSet | null = null;
    for (let extra = 0; extra <= spare && !found; extra++)
      for (const all of filledBy(system, union, extra, limits))
        if (isHeld(all) && reversesOf(offer, all).length > 0) {
          found = all;
          break;
        }
    finished.set(key, found);
    return found;
  };
  const matched = matchWishes(lists, low, high, limits, single, ({ choices, union, worst }) => {
    const all = finish(union);
    if (!all) return null;
    const chosen = choices.map((choice) => ({ low: low[choice] as number, high: high[choice] as number }));
    for (const reverse of reversesOf(offer, all)) {
      const used = reverse ? joined(union, reverse) : union;
      if (!isHeld(used)) continue;
      const found = asFound(offer, chosen, worst, used, reverse);
      if (offer.admits(found)) return { count: sizeOf(used), found };
    }
    return null;
  });
  return matched && matched.more.found;
}

/** Reverses that some of these elements make, the one nearest in size to the first ratio before the others. */
function reversesOf(offer: Offer, all: ElementSet): readonly (ElementSet | null)[] {
  const { question, system, ends, keepsSpeeds } = offer;
  if (question.reverse === 'none') return [null];
  const first = toNumber(entryAt(question.forward, 0));
  const found: { readonly set: ElementSet; readonly far: number }[] = [];
  for (const engaged of choicesOf(elementsIn(all), system.engaged)) {
    const ratio = ratioWith(system, ends, engaged, keepsSpeeds);
    if (ratio !== null && isReverse(question, ratio))
      found.push({ set: elementSet(engaged), far: Math.abs(Math.log(-ratio / first)) });
  }
  return found.sort((a, b) => a.far - b.far).map(({ set }) => set);
}

function isReverse({ reverse }: SchemeQuestion, ratio: number): boolean {
  const [least, most] = typeof reverse === 'string' ? [0, Infinity] : reverse;
  return ratio < 0 && -ratio >= least && -ratio <= most;
}

/** Where only the rare wishes are listed: all that can be made of their choices, each with all that it gives. */
function bestOfUnions(
  offer: Offer,
  limits: ElementLimits,
  single: boolean,
  isHeld: (all: ElementSet) => boolean,
): FoundScheme | null {
  let best: FoundScheme | null = null;
  const seen = new Set<number>();
  for (const all of unions(offer, limits)) {
    const key = keyOf(all);
    if (seen.has(key) || !isHeld(all)) continue;
    seen.add(key);
    const found = bestWithin(offer, all, limits, single, isHeld, best);
    if (found) best = found;
  }
  return best;
}

const keyOf = ({ low, high }: ElementSet): number => high * 2 ** 31 + low;

/** These elements with so many more. */
function* filledBy(
  system: System,
  union: ElementSet,
  extra: number,
  limits: ElementLimits,
  from = 0,
): Generator<ElementSet> {
  if (extra === 0) return yield union;
  for (let i = from; i < system.elements.count; i++) {
    const one = elementSet([i]);
    const more = joined(union, one);
    if (!overlaps(union, one) && isWithin(limits, more.low, more.high))
      yield* filledBy(system, more, extra - 1, limits, i + 1);
  }
}

/** Sets of elements that give every listed wish, with each way to fill them up to as many as there may be. */
function* unions({ low, high, lists: given, system }: Offer, limits: ElementLimits): Generator<ElementSet> {
  const lists = [...given].sort((a, b) => a.choices.length - b.choices.length);
  function* take(at: number, union: ElementSet): Generator<ElementSet> {
    const spare = limits.atMost - sizeOf(union);
    if (spare === 0) return yield union;
    const list = lists[at];
    if (!list) {
      for (let extra = 0; extra <= spare; extra++) yield* filledBy(system, union, extra, limits);
      return;
    }
    for (const choice of list.choices) {
      const next = joined(union, { low: low[choice] as number, high: high[choice] as number });
      if (isWithin(limits, next.low, next.high)) yield* take(at + 1, next);
    }
  }
  yield* take(0, { low: 0, high: 0 });
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
    const ratio = ratioWith(system, ends, engaged, keepsSpeeds);
    if (ratio === null) continue;
    const set = elementSet(engaged);
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

function ratioWith(
  { basis, members, elements }: System,
  { input, output }: Ends,
  engaged: readonly number[],
  keepsSpeeds: Offer['keepsSpeeds'],
): number | null {
  const speeds = motionWith(basis, members, elements, engaged);
  if (!speeds) return null;
  const largest = speeds.reduce((size, speed) => Math.max(size, Math.abs(speed)), 0);
  const [drive, driven] = [speeds[input] ?? 0, speeds[output] ?? 0];
  const turns = Math.min(Math.abs(drive), Math.abs(driven)) > STILL * largest;
  return turns && keepsSpeeds(speeds, input) ? drive / driven : null;
}

function* choicesOf(of: readonly number[], count: number, from = 0): Generator<readonly number[]> {
  if (count === 0) return yield [];
  for (let i = from; i <= of.length - count; i++)
    for (const rest of choicesOf(of, count - 1, i + 1)) yield [of[i] as number, ...rest];
}

function elementLimits({ atMost, brakes, clutches }: SchemeQuestion, { elements }: System): ElementLimits {
  const numbers = Array.from({ length: elements.count }, (_, i) => i);
  return {
    atMost,
    brakes: brakes ?? atMost,
    clutches: clutches ?? atMost,
    areBrakes: elementSet(numbers.filter((i) => elements.second[i] === -1)),
  };
}

function asFound(
  { system, ends, standings }: Offer,
  chosen: readonly ElementSet[],
  worst: number,
  all: ElementSet,
  reverse: ElementSet | null,
): FoundScheme {
  const used = elementsIn(all);
  const places = (set: ElementSet) => elementsIn(set).map((element) => used.indexOf(element));
  const { first, second } = system.elements;
  const elements = used.map((element): SchemeElement => {
    const [a, b] = [first[element] ?? 0, second[element] ?? -1];
    return b < 0 ? { type: 'brake', joins: [a] } : { type: 'clutch', joins: [a, b] };
  });
  const forward = chosen.map(places);
  return {
    scheme: schemeOf(system, ends),
    selection: { elements, forward, reverse: reverse && places(reverse), worst, single: isSingle(forward) },
    standings,
  };
}

function schemeOf({ memberOf, members }: System, { input, output }: Ends): Scheme {
  const of = (m: number) => memberOf.flatMap((member, central) => (member === m ? [central] : []));
  return { members: Array.from({ length: members }, (_, m) => of(m)), frame: of(-1), input, output };
}
