import { abs, add, equals, fraction, inverse, isZero, mul, ONE, sign, sub, type Rational } from '../rational';
import { meshRoles } from '../powerflow';
import type { Slip, SlipName } from './question';
import { size, type Place, type Subject } from './subject';

type Wrong = readonly [slip: SlipName, value: Rational | null];

/** Slips that lead to a figure of their own: positive, not the right one, each figure once, under its first name. */
export function slipsApart(right: Rational, wrong: readonly Wrong[]): readonly Slip[] {
  const found = new Map<string, SlipName>();
  for (const [slip, value] of wrong)
    if (value && sign(value) > 0 && !equals(value, abs(right)) && !found.has(size(value))) found.set(size(value), slip);
  return [...found].map(([value, slip]) => ({ value, slip }));
}

const TEN = fraction(10, 1);

/** A figure ten times too large or too small. */
export const tenfold = (right: Rational): readonly Wrong[] => [
  ['factor-of-ten', mul(abs(right), TEN)],
  ['factor-of-ten', mul(abs(right), fraction(1, 10))],
];

/** What usually goes wrong with a position's ratio, recomputed for this one. */
export function ratioSlips(subject: Subject, place: Place, ratio: Rational): readonly Slip[] {
  const own = abs(ratio);
  const pairs = drivingPairs(subject, place);
  const [first] = pairs;
  const epicyclic = subject.train.members.some(({ carrier }) => carrier !== undefined);
  return slipsApart(ratio, [
    ['upside-down', inverse(own)],
    // Direct drive is not calculated.
    ...(equals(own, ONE) && first ? [['direct-calculated', first] as const] : []),
    ...(pairs.length > 1 ? pairs.map((pair) => ['stage-left-out', mul(own, inverse(pair))] as const) : []),
    ...(pairs.length > 1 ? [['added', pairs.reduce((sum, pair) => add(sum, pair))] as const] : []),
    ...(epicyclic
      ? ([
          ['own-turn-forgotten', sub(own, ONE)],
          ['ring-sun-swapped', swapped(own)],
        ] as const)
      : []),
    ...tenfold(own),
  ]);
}

/** 1 + r for r instead of 1/r: what comes of taking the ring for the sun. */
function swapped(ratio: Rational): Rational | null {
  const r = sub(ratio, ONE);
  return isZero(r) ? null : add(ONE, inverse(r));
}

/** Pairs on fixed axes through which power goes, driven over driver. */
export function drivingPairs({ train }: Subject, { solved }: Place): readonly Rational[] {
  const roles = meshRoles(solved);
  const gears = new Map(train.gears.map((gear) => [gear.id, gear]));
  const planets = new Set(train.members.flatMap(({ id, carrier }) => (carrier === undefined ? [] : [id])));
  return train.meshes.flatMap(({ id, gears: [first, second] }) => {
    const [a, b] = [gears.get(first)!, gears.get(second)!];
    const role = roles.get(id);
    if (planets.has(a.member) || planets.has(b.member)) return [];
    return role === 'a drives' ? [fraction(b.teeth, a.teeth)] : role === 'b drives' ? [fraction(a.teeth, b.teeth)] : [];
  });
}
