import { abs, add, equals, fraction, inverse, isZero, mul, ONE, sign, sub, type Rational } from '../rational';
import { meshRoles } from '../powerflow';
import { areFarApart } from './mark';
import type { Gear, Train } from '../train';
import type { Slip, SlipName } from './question';
import { size, type SubjectPosition, type Subject } from './subject';
import { partsById } from '../train';

type Wrong = readonly [slip: SlipName, value: Rational | null];

/**
 * Slips that lead to a figure of their own: positive, never to be marked as the right one, each figure once, under its
 * first name.
 */
export function slipsApart(right: Rational, wrong: readonly Wrong[]): readonly Slip[] {
  const found = new Map<string, SlipName>();
  for (const [slip, value] of wrong)
    if (value && sign(value) > 0 && areFarApart(abs(right), value) && !found.has(size(value)))
      found.set(size(value), slip);
  return [...found].map(([value, slip]) => ({ value, slip }));
}

const TEN = fraction(10, 1);

/** A figure ten times too large or too small. */
export const tenfoldSlips = (right: Rational): readonly Wrong[] => [
  ['factor-of-ten', mul(abs(right), TEN)],
  ['factor-of-ten', mul(abs(right), fraction(1, 10))],
];

/** What usually goes wrong with a position's ratio, recomputed for this one. */
export function ratioSlips(subject: Subject, place: SubjectPosition, ratio: Rational): readonly Slip[] {
  const own = abs(ratio);
  const driving = drivingPairs(subject, place);
  const pairs = driving.map(({ driver, driven }) => fraction(driven.teeth, driver.teeth));
  const epicyclic = subject.train.members.some(({ carrier }) => carrier !== undefined);
  return slipsApart(ratio, [
    ['upside-down', inverse(own)],
    ...(equals(own, ONE) && pairs.length === 0 ? named('direct-calculated', besideDirect(subject, place)) : []),
    // An idler is driven and drives: counted as a stage, its pair is multiplied once more.
    ...named(
      'idler-counted',
      driving
        .filter(({ driven }) => driving.some(({ driver }) => driver === driven))
        .map(({ driver, driven }) => mul(own, fraction(driven.teeth, driver.teeth))),
    ),
    ...(pairs.length > 1
      ? named(
          'stage-left-out',
          pairs.map((pair) => mul(own, inverse(pair))),
        )
      : []),
    ...(pairs.length > 1 ? [['added', pairs.reduce((sum, pair) => add(sum, pair))] as const] : []),
    ...(epicyclic
      ? ([
          ['own-turn-forgotten', sub(own, ONE)],
          ['own-turn-forgotten', add(own, ONE)],
          ['ring-sun-swapped', swapped(own)],
        ] as const)
      : []),
    ...tenfoldSlips(own),
  ]);
}

const named = (slip: SlipName, values: readonly Rational[]): readonly Wrong[] => values.map((value) => [slip, value]);

/** 1 + r for r instead of 1/r: what comes of taking the ring for the sun. */
function swapped(ratio: Rational): Rational | null {
  const r = sub(ratio, ONE);
  return isZero(r) ? null : add(ONE, inverse(r));
}

interface Pair {
  readonly driver: Gear;
  readonly driven: Gear;
}

/** Pairs on fixed axes through which power goes. */
export function drivingPairs({ train }: Subject, { solved }: SubjectPosition): readonly Pair[] {
  const roles = meshRoles(solved);
  return fixedPairs(train).flatMap(({ mesh, a, b }) => {
    const role = roles.get(mesh);
    return role === 'a drives' ? [{ driver: a, driven: b }] : role === 'b drives' ? [{ driver: b, driven: a }] : [];
  });
}

/** What the pairs beside a direct drive would give: the input's pair, and what stands behind it back to the output. */
function besideDirect({ train }: Subject, { figures }: SubjectPosition): readonly Rational[] {
  const turnsAlong = (gear: Gear) => equalTo(figures.get(gear.member)?.speed, ONE);
  const pairs = fixedPairs(train).flatMap(({ a, b }) => [
    { driver: a, driven: b },
    { driver: b, driven: a },
  ]);
  const ratioOf = ({ driver, driven }: Pair) => fraction(driven.teeth, driver.teeth);
  return pairs
    .filter(({ driver, driven }) => turnsAlong(driver) && !turnsAlong(driven))
    .flatMap((first) => [
      ratioOf(first),
      ...pairs
        .filter((second) => second.driver.member === first.driven.member && second.driver !== first.driven)
        .map((second) => mul(ratioOf(first), ratioOf(second))),
    ]);
}

const equalTo = (value: Rational | null | undefined, to: Rational): boolean =>
  value !== null && value !== undefined && equals(value, to);

/** Meshes between gears on axes that stay where they are. */
function fixedPairs(train: Train): readonly { readonly mesh: string; readonly a: Gear; readonly b: Gear }[] {
  const parts = partsById(train);
  const planets = new Set(train.members.flatMap(({ id, carrier }) => (carrier === undefined ? [] : [id])));
  return train.meshes.flatMap(({ id, gears: [first, second] }) => {
    const [a, b] = [parts.gear(first), parts.gear(second)];
    return planets.has(a.member) || planets.has(b.member) ? [] : [{ mesh: id, a, b }];
  });
}
