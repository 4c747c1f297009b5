import { readdirSync } from 'node:fs';
import { demoTrain } from '@/testing/demo-train';
import type { Gear, Train } from '../train';
import { checkDesign, type Finding } from '.';

const kinds = (train: Train) => checkDesign(train).map(({ kind, gears, positions }) => `${kind}: ${[...gears, ...positions].join(' ')}`);
const of = (train: Train, kind: Finding['kind']) => checkDesign(train).filter((found) => found.kind === kind);
const withGears = (train: Train, change: (gear: Gear) => Partial<Gear>): Train => ({ ...train, gears: train.gears.map((gear) => ({ ...gear, ...change(gear) })) });
const withCopies = (train: Train, copies: number): Train => ({ ...train, members: train.members.map((member) => (member.carrier ? { ...member, copies } : member)) });

describe('meshes', () => {
  const winch = demoTrain('sluice-winch');

  test('gears of different module do not mesh', () => {
    expect(of(withGears(winch, () => ({ module: 2 })), 'module')).toEqual([]);
    const [found] = of(withGears(winch, ({ id }) => ({ module: id === 'g3b' ? 2.5 : 2 })), 'module');
    expect(found).toMatchObject({ weight: 'wrong', gears: ['g3a', 'g3b'], what: expect.stringContaining('2 and 2.5 mm') });
  });

  test('shared factors: how often the same teeth meet, and what would hunt', () => {
    const [found] = of(winch, 'shared factor').filter(({ gears }) => gears.includes('g3b'));
    // 15 and 45: every tooth of 15 meets only 3 of 45, again after 3 turns.
    expect(found!.why).toContain('meets only 3 of 45 teeth, the same ones again after 3 turns');
    expect(found!.mend).toContain('44 or 46 instead of 45 would hunt');
    expect(of(withGears(winch, ({ id }) => (id === 'g3b' ? { teeth: 46 } : {})), 'shared factor').filter(({ gears }) => gears.includes('g3b'))).toEqual([]);
  });

  test('undercut is said of external gears below 17 teeth only', () => {
    expect(of(winch, 'undercut').map(({ gears }) => gears[0])).toEqual(['c', 'g3a']);
    expect(of(demoTrain('stirrer'), 'undercut')).toEqual([]);
  });
});

describe('shafts', () => {
  test('pairs on the same two shafts want one distance, where modules are given', () => {
    const rake = demoTrain('pan-rake');
    expect(of(rake, 'distance')).toEqual([]);
    const even = withGears(rake, () => ({ module: 2 }));
    expect(of(even, 'distance')).toEqual([]);
    const [found] = of(withGears(even, ({ id }) => (id === 'g2b' ? { teeth: 40 } : {})), 'distance');
    expect(found).toMatchObject({ what: '13 with 40 wants 53 mm between the shafts, 19 with 32 on the same two wants 51 mm.', mend: expect.stringContaining('add up to 51') });
  });
});

describe('planetary sets', () => {
  const stirrer = demoTrain('stirrer');

  test('sun, planet and ring fit round one axis, or it is said what would', () => {
    expect(of(stirrer, 'coaxial')).toEqual([]);
    const [found] = of(withGears(stirrer, ({ id }) => (id === 'r1' ? { teeth: 76 } : {})), 'coaxial');
    expect(found!.mend).toContain('A ring of 72, or a planet of 26, would fit');
  });

  test('planets are spaced evenly when their number divides sun and ring together', () => {
    for (const copies of [2, 3, 4, 6]) expect(of(withCopies(stirrer, copies), 'assembly')).toEqual([]);
    const [found] = of(withCopies(stirrer, 5), 'assembly');
    expect(found).toMatchObject({ why: expect.stringContaining('add up to 96'), mend: expect.stringContaining('2, 3, 4, 6 planets') });
  });

  test('planets that run into each other are counted', () => {
    expect(of(withCopies(stirrer, 4), 'collision')).toEqual([]);
    expect(of(withCopies(stirrer, 6), 'collision')[0]!.mend).toContain('At most 5 of them fit');
  });

  test('without a number of planets nothing is guessed', () => {
    const uncounted = { ...stirrer, members: stirrer.members.map(({ id, name, carrier }) => ({ id, name, ...(carrier && { carrier }) })) };
    expect([...of(uncounted, 'assembly'), ...of(uncounted, 'collision')]).toEqual([]);
  });
});

describe('positions', () => {
  test('one that locks says who fights; two that engage the same are one', () => {
    const rake = demoTrain('pan-rake');
    expect(of(rake, 'locked')).toMatchObject([{ positions: ['1+2'], why: 'First, Second together leave nothing that can turn.' }]);
    const twice = { ...rake, positions: [...rake.positions, { id: 'low', name: 'low', engaged: ['first'] }] };
    expect(of(twice, 'duplicate')).toMatchObject([{ positions: ['low'], what: 'Positions 1 and low engage the same.' }]);
  });
});

test('what is wrong comes before what is worth knowing, and every finding says why and what to do', () => {
  let found = 0;
  for (const file of readdirSync('demo/trains')) {
    const findings = checkDesign(demoTrain(file.replace('.train.json', '')));
    const weights = findings.map(({ weight }) => weight);
    expect(weights).toEqual([...weights].sort((a, b) => (a === b ? 0 : a === 'wrong' ? -1 : 1)));
    for (const { what, why, mend } of findings) for (const text of [what, why, mend]) expect(text).toMatch(/^\S.{10,}\.$/);
    found += findings.length;
  }
  expect(found).toBeGreaterThan(10);
  expect(kinds(demoTrain('harvester'))).toContain('locked: all');
});
