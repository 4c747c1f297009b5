import { demoTrain } from '@/testing/demo-train';
import { drawSideView, SPACES, THOROUGH } from '../drawing';
import { toNumber } from '../rational';
import { crossingsOf, readWrittenSchemes, searchSchemes, setsOfTrain, standingRatio, type SchemeQuestion } from '.';
import { placesBetween } from './places-between';
import { UNWATCHED } from './result';

const asked = (sets: unknown, forward: readonly string[], more: object = {}): SchemeQuestion => {
  const written = {
    format: 'tin-wheel/scheme-search',
    version: 1,
    sets,
    wanted: { forward, tolerance: 0.02, reverse: 'none' },
    elements: { atMost: 3 },
    limit: 60,
    ...more,
  };
  const read = readWrittenSchemes(written);
  if (!read.ok) throw new Error(read.problems[0].message);
  return read.value.question;
};
/** Over after so many looks. */
const overAfter = (looks: number) => {
  let left = looks;
  return () => --left < 0;
};

describe('a stepped set that is free', () => {
  const question = asked([{ id: 'rear', kind: 'stepped', ratio: [2.5, 6] }], ['4.4', '1']);
  const { results } = searchSchemes(question);

  test('gets counts of one centre distance, within its range and as near to the wish as is allowed', () => {
    expect(results.length).toBeGreaterThan(0);
    for (const { sets, figures } of results) {
      const [set] = sets;
      if (set?.kind !== 'stepped') throw new Error('It is another kind of set.');
      expect(set.sun + set.planet).toBe(set.ring - set.second);
      const standing = (set.planet / set.second) * (set.ring / set.sun);
      expect(standing).toBeGreaterThanOrEqual(2.5);
      expect(standing).toBeLessThanOrEqual(6);
      expect(Math.abs(toNumber(figures.forward[0]!) / 4.4 - 1)).toBeLessThanOrEqual(0.02);
    }
  });

  test('is the set of the train that is made of it', () => {
    for (const { sets, train } of results)
      expect(setsOfTrain(train).map(({ id: _, ...counts }) => counts)).toEqual(
        sets.map(({ id: _, ...counts }) => counts),
      );
  });
});

describe('going on between the places of the ranges', () => {
  const free = [
    { id: 'front', kind: 'simple', ratio: [1.6, 3.2] },
    { id: 'rear', kind: 'double-pinion', ratio: [1.8, 3] },
  ];
  const question = asked(free, ['2.37', '1.43', '1'], {
    wanted: { forward: ['2.37', '1.43', '1'], tolerance: 0.004, reverse: 'none' },
    elements: { atMost: 4 },
    engaged: 2,
  });
  const first = searchSchemes(question);

  test('nothing is lost by it, and what is found keeps within what was asked', () => {
    const looks = 1.4 * first.of;
    const then = searchSchemes(question, { ...UNWATCHED, goesOn: true, over: overAfter(looks) });
    expect(first).toMatchObject({ between: 0, cut: false, walked: first.of });
    expect(then).toMatchObject({ cut: true, proven: false, walked: first.of, of: first.of });
    expect(then.between).toBeGreaterThan(3);
    expect(then.schemes).toBeGreaterThanOrEqual(first.schemes);
    const [before, after] = [first, then].map(({ results }) => results[0]?.figures.worst ?? Infinity);
    expect(after).toBeLessThanOrEqual(before!);
    for (const { figures } of then.results) expect(figures.worst).toBeLessThanOrEqual(0.004);
  });

  test('the places lie in the ranges, sets with counts stay, and soon no part of a range is without one', () => {
    const given = { id: 'mid', kind: 'simple', sun: 30, ring: 78 } as const;
    const sets = asked([...free, given], ['2', '1']).sets;
    const hit = new Set<string>();
    const places = placesBetween(sets);
    for (let n = 0; n < 200; n++) {
      const [front = 0, rear = 0, mid] = places.next().value as readonly number[];
      expect(mid).toBe(standingRatio(given));
      expect([-front >= 1.6, -front <= 3.2, rear >= 1.8, rear <= 3]).toEqual([true, true, true, true]);
      const part = (value: number, least: number, most: number) =>
        Math.floor((4 * Math.log(value / least)) / Math.log(most / least));
      hit.add(`${part(-front, 1.6, 3.2)} ${part(rear, 1.8, 3)}`);
    }
    expect(hit.size).toBe(16);
  });
});

test.each([
  ['mud-tram', ['simple 30 78', 'simple 33 69', 'simple 40 80']],
  ['crawler', ['double-pinion 30 78', 'simple 36 78']],
  ['brine-lift', ['stepped 18 36 18 90']],
  ['draisine-hub', ['stepped 24 18 18 66', 'stepped 18 24 18 66']],
  ['stirrer', ['simple 24 72']],
  ['wagon-axle', []],
  ['sluice-winch', []],
])('the sets of the %s', (id, sets) => {
  const found = setsOfTrain(demoTrain(id)).map((set) =>
    (set.kind === 'stepped'
      ? [set.kind, set.sun, set.planet, set.second, set.ring]
      : [set.kind, set.sun, set.ring]
    ).join(' '),
  );
  expect(found.sort()).toEqual([...sets].sort());
});

test('how often lines cross is told as the best drawing has it, and a limit on it loses nothing that nests', () => {
  const sets = setsOfTrain(demoTrain('crawler'));
  const wished = (limits: object) =>
    asked(sets, ['2.6', '1.505', '1', '0.684'], {
      wanted: { forward: ['2.6', '1.505', '1', '0.684'], tolerance: 0.05, reverse: 'any' },
      elements: { atMost: 5 },
      engaged: 2,
      limits,
    });
  const { results } = searchSchemes(wished({}));
  expect(results.length).toBeGreaterThan(5);
  for (const { train } of results) {
    const best = drawSideView(train, SPACES.bench, { effort: THOROUGH });
    expect(crossingsOf(train)).toBe(best.ok ? best.view.crossings.length : null);
  }
  const nested = results.filter(({ train }) => crossingsOf(train) === 0).map(({ key }) => key);
  expect(searchSchemes(wished({ nested: true })).results.map(({ key }) => key)).toEqual(nested);
});
