import { runs } from '@/testing/runs';
import fc from 'fast-check';
import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import { arbitraryTrain } from '@/testing/arbitrary-train';
import { demoTrain } from '@/testing/demo-train';
import { networkOf } from '../kinematics';
import { isZero, sum, toFraction, toNumber, type Rational } from '../rational';
import { solveEngaged, type Solved } from '../solve';
import type { Train } from '../train';
import { chartOf, influenceOf, influenceOn, listCombinations, oneToothMore } from '.';
import { modelOf } from '../model';

const DEMOS = [
  'crawler',
  'harvester',
  'mud-tram',
  'pan-rake',
  'stirrer',
  'brine-lift',
  'conveyor-shifter',
  'wagon-axle',
  'draisine-hub',
  'ferry-hub',
] as const;

test('second of the rake is the case that was worked out independently', () => {
  const { positions } = JSON.parse(
    readFileSync(join(__dirname, 'cases/influence.pan-rake.position-2.json'), 'utf8'),
  ) as { positions: Record<string, Record<string, string>> };
  const second = influenceOf(demoTrain('pan-rake')).get('2')!;
  expect(Object.fromEntries([...second].map(([gear, part]) => [gear, part && toFraction(part)]))).toEqual(
    positions['2'],
  );
});

/** Counts are made so many times as large, so that one tooth more is a small change; ratios stay what they are. */
const LARGE = 10_000;
const scaled = (train: Train, gear: string, by: number): Train => ({
  ...train,
  gears: train.gears.map((one) => ({ ...one, teeth: one.teeth * LARGE + (one.id === gear ? by : 0) })),
});

/** Another route to the same figure: two trains with one tooth more and one less, solved, and the slope between. */
function slope(train: Train, engaged: readonly string[], gear: string): number | null {
  const [more, less] = [1, -1].map((by) => {
    const { ratio } = solveEngaged(modelOf(scaled(train, gear, by)).open, engaged);
    return ratio && Math.abs(toNumber(ratio));
  });
  const { teeth } = train.gears.find(({ id }) => id === gear)!;
  return more && less ? ((Math.log(more) - Math.log(less)) / 2) * teeth * LARGE : null;
}

function check(train: Train, solved: Solved): number {
  let compared = 0;
  const influence = influenceOn(solved);
  const parts = [...influence.values()];
  expect(influence.size).toBe(train.gears.length);
  if (parts.every((part): part is Rational => part !== null)) expect(isZero(sum(parts))).toBe(true);
  for (const [gear, part] of influence) {
    const measured = slope(train, [...solved.engaged], gear);
    // Where parallel ways tie the counts together, one tooth more locks the train, and the influence is open.
    if (measured === null || part === null) continue;
    expect(Math.abs(toNumber(part) - measured)).toBeLessThan(1e-4 * Math.max(1, Math.abs(measured)));
    compared++;
  }
  return compared;
}

test.each(DEMOS)(
  'of the %s: every influence is the slope between a tooth less and a tooth more, and they sum to 0',
  (name) => {
    const train = demoTrain(name);
    const open = modelOf(train).open;
    let compared = 0;
    for (const id of influenceOf(train).keys())
      compared += check(train, solveEngaged(open, train.positions.find((position) => position.id === id)!.engaged));
    expect(compared).toBeGreaterThan(0);
  },
);

test('of random trains in random engagements likewise, one-way clutches and several outputs included', () => {
  let compared = 0;
  fc.assert(
    fc.property(arbitraryTrain({ oneWays: true, outputs: true, worms: true }), fc.nat(), (train, pick) => {
      const driving = listCombinations(networkOf(train))!.filter(({ status }) => status === 'drive');
      if (driving.length === 0) return;
      const { engaged } = driving[pick % driving.length]!;
      compared += check(train, solveEngaged(modelOf(train).open, engaged));
    }),
    { numRuns: runs(150) },
  );
  expect(compared).toBeGreaterThan(runs(300));
});

test('an idler has none, and a gear that meshes nothing neither', () => {
  const train = demoTrain('sluice-winch');
  const idle = {
    ...train,
    gears: [...train.gears, { id: 'loose', member: 'drum', teeth: 20, type: 'external' as const }],
  };
  const [, influence] = [...influenceOf(idle)][0]!;
  const idler = train.gears.find(({ member }) => member === 'idler')!;
  expect([influence.get(idler.id), influence.get('loose')].map((part) => toFraction(part!))).toEqual(['0', '0']);
});

test('one tooth more on the winch’s first wheel, by hand; a gear of one tooth cannot lose it', () => {
  const train = demoTrain('sluice-winch');
  const [wheel] = train.gears;
  const before = chartOf(train).rows[0]!.solved.ratio!;
  const after = oneToothMore(train, wheel!.id)!.rows[0]!.solved.ratio!;
  // The first gear drives, so the ratio is multiplied by z over z + 1.
  expect(toNumber(after)).toBeCloseTo((toNumber(before) * wheel!.teeth) / (wheel!.teeth + 1), 12);
  expect(oneToothMore(train, wheel!.id, -wheel!.teeth)).toBeNull();
});
