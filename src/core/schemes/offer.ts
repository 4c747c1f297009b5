import { elementSet, elementsIn, joined, overlaps, type ElementSet } from './element-set';
import type { Gathered } from './gather';
import type { KnownMotion } from './known-motions';
import { isWithin, type Candidates, type ElementLimits } from './matching';
import type { SchemeQuestion } from './question';
import { isSingle, type FoundScheme, type Scheme, type SchemeElement } from './scheme';
import type { KeepsSpeeds } from './speed-limits';
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
  readonly keepsSpeeds: KeepsSpeeds | null;
  /** Whether what its speeds do not tell keeps within the limits. */
  readonly admits: (found: FoundScheme) => boolean;
}

export function elementLimits({ atMost, brakes, clutches }: SchemeQuestion, { areBrakes }: System): ElementLimits {
  return { atMost, brakes: brakes ?? atMost, clutches: clutches ?? atMost, areBrakes };
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

/** Input over output speed; null where either stands, or something turns faster than it may. */
export function ratioOf(
  { speeds }: KnownMotion,
  { input, output }: Ends,
  keepsSpeeds: Offer['keepsSpeeds'],
): number | null {
  if (!speeds) return null;
  const [drive, driven] = [speeds[input] as number, speeds[output] as number];
  return drive !== 0 && driven !== 0 && (keepsSpeeds?.(speeds, input) ?? true) ? drive / driven : null;
}

/** Every choice of so many of these, in order. */
export const choicesOf = (of: readonly number[], count: number): readonly (readonly number[])[] =>
  placesOf(of.length, count).map((places) => places.map((at) => of[at] as number));

const knownPlaces = new Map<number, readonly (readonly number[])[]>();

/** The places of every choice of so many out of so many. */
function placesOf(length: number, count: number): readonly (readonly number[])[] {
  const key = 100 * length + count;
  const made = knownPlaces.get(key) ?? [...placesFrom(length, count, 0)];
  knownPlaces.set(key, made);
  return made;
}

function* placesFrom(length: number, count: number, from: number): Generator<readonly number[]> {
  if (count === 0) return yield [];
  for (let i = from; i <= length - count; i++)
    for (const rest of placesFrom(length, count - 1, i + 1)) yield [i, ...rest];
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
