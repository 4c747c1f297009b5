import { elementSet, elementsIn, joined, overlaps, type ElementSet } from './element-set';
import { STILL, type Gathered } from './gather';
import { isWithin, type Candidates, type ElementLimits } from './matching';
import { motionWith } from './motions';
import type { SchemeQuestion } from './question';
import { isSingle, type FoundScheme, type Scheme, type SchemeElement } from './scheme';
import type { Ends, System } from './system';

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

export function elementLimits({ atMost, brakes, clutches }: SchemeQuestion, { elements }: System): ElementLimits {
  const numbers = Array.from({ length: elements.count }, (_, i) => i);
  return {
    atMost,
    brakes: brakes ?? atMost,
    clutches: clutches ?? atMost,
    areBrakes: elementSet(numbers.filter((i) => elements.second[i] === -1)),
  };
}

export const keyOf = ({ low, high }: ElementSet): number => high * 2 ** 31 + low;

/** These elements with so many more. */
export function* filledBy(
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

export function ratioWith(
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

export function* choicesOf(of: readonly number[], count: number, from = 0): Generator<readonly number[]> {
  if (count === 0) return yield [];
  for (let i = from; i <= of.length - count; i++)
    for (const rest of choicesOf(of, count - 1, i + 1)) yield [of[i] as number, ...rest];
}

export function isReverse({ reverse }: SchemeQuestion, ratio: number): boolean {
  const [least, most] = typeof reverse === 'string' ? [0, Infinity] : reverse;
  return ratio < 0 && -ratio >= least && -ratio <= most;
}

export function asFound(
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
