import { add, fraction, inverse, ONE, sub } from '../../rational';
import { structureOf } from '../../structure';
import { FRAME } from '../../train';
import { memberName } from '../../words';
import { slipsApart, tenfoldSlips } from '../slips';
import { size } from '../subject';
import type { AskSkill } from './skill';
import { required } from '../../required';

const PARTS = ['ring', 'carrier', 'sun'] as const;

/** The ratio of a planetary set of sun, planets and ring, whichever of the three is held. */
export const basic: AskSkill = ({ train }, draw) => {
  const sets = structureOf(train).figures.flatMap((figure) =>
    figure.kind === 'set'
      ? figure.planes.flatMap(({ sun, planets, ring }) =>
          sun && ring && planets.length === 1 ? [{ carrier: figure.carrier, sun, ring }] : [],
        )
      : [],
  );
  const set = draw.pick(sets);
  if (!set) return undefined;
  const r = fraction(set.ring.teeth, set.sun.teeth);
  const [carrier, sun, ring] = [set.carrier, set.sun.member, set.ring.member].map((id) => memberName(train, id));
  // What the frame is is held: nobody counts its turns.
  const members = { ring: set.ring.member, carrier: set.carrier, sun: set.sun.member };
  const fixed = PARTS.filter((part) => members[part] === FRAME);
  if (fixed.length > 1) return undefined;
  const holds = required(draw.pick(fixed.length > 0 ? fixed : PARTS));
  const asked = {
    ring: { held: ring, of: sun, one: carrier, right: add(ONE, r), line: `1 + r = 1 + ${size(r)}` },
    carrier: { held: carrier, of: sun, one: ring, right: r, line: `r = ${set.ring.teeth}/${set.sun.teeth}` },
    sun: { held: sun, of: ring, one: carrier, right: add(ONE, inverse(r)), line: `1 + 1/r = 1 + ${size(inverse(r))}` },
  }[holds];
  return {
    position: null,
    text:
      `A set by itself, ${set.sun.teeth} on ${sun} and ${set.ring.teeth} on ${ring}, planets on ${carrier}: ` +
      `${asked.held} is held. How many turns of ${asked.of} make one turn of ${asked.one}?`,
    answer: { kind: 'number', value: size(asked.right), unit: '' },
    slips: slipsApart(asked.right, [
      ['own-turn-forgotten', holds === 'carrier' ? add(r, ONE) : sub(asked.right, ONE)],
      ['ring-sun-swapped', { ring: add(ONE, inverse(r)), carrier: inverse(r), sun: add(ONE, r) }[holds]],
      ['upside-down', inverse(asked.right)],
      ...tenfoldSlips(asked.right),
    ]),
    working: [
      `r = ring over sun = ${set.ring.teeth}/${set.sun.teeth} = ${size(r)}`,
      `${asked.line} = ${size(asked.right)}`,
    ],
  };
};
