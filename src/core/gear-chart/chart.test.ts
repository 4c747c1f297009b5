import { runs } from '@/testing/runs';
import fc from 'fast-check';
import { arbitraryTrain } from '@/testing/arbitrary-train';
import { countershaftBox } from '@/testing/countershaft-box';
import { demoTrain } from '@/testing/demo-train';
import { networkOf } from '../kinematics';
import { toNumber } from '../rational';
import { solveEngaged } from '../solve';
import { chartOf, idealSteps, listCombinations, neighbouringShifts } from '.';
import { modelOf } from '../model';

/** A train with as many of its own combinations as positions as the random number says. */
const charted = fc
  .tuple(arbitraryTrain({ oneWays: true, outputs: true, worms: true }), fc.infiniteStream(fc.nat()))
  .map(([train, picks]) => {
    const sets = listCombinations(networkOf(train))!;
    const positions = Array.from({ length: 6 }, (_, i) => {
      const { engaged } = sets[picks.next().value % sets.length]!;
      return { id: `p${i}`, name: `p${i}`, engaged: [...engaged] };
    });
    return { ...train, positions };
  });

test('every step is what two rows solved by themselves give, and steps multiply to the way from first to last', () => {
  fc.assert(
    fc.property(charted, (train) => {
      const open = modelOf(train).open;
      const alone = train.positions.map(({ engaged }) => {
        const { ratio } = solveEngaged(open, engaged);
        return ratio && toNumber(ratio) > 0 ? toNumber(ratio) : null;
      });
      const forward = alone.filter((ratio) => ratio !== null);
      const chart = chartOf(train);
      const steps = chart.rows.flatMap(({ step }) => (step ? [toNumber(step)] : []));
      expect(chart.rows.map(({ step }, i) => step !== null && alone[i] === null)).not.toContain(true);
      expect(steps).toHaveLength(Math.max(0, forward.length - 1));
      expect(steps.reduce((product, step) => product * step, 1)).toBeCloseTo(
        forward.length > 0 ? forward[0]! / forward.at(-1)! : 1,
        6,
      );
      const { count, distinct, spread, idealStep } = chart.forward;
      expect([count, distinct]).toEqual([forward.length, new Set(forward.map((ratio) => ratio.toPrecision(12))).size]);
      if (idealStep !== null)
        expect(idealStep ** (distinct - 1)).toBeCloseTo(Math.max(...forward) / Math.min(...forward), 6);
      expect(idealStep === null).toBe(distinct < 2);
      expect(spread === null).toBe(count === 0);
    }),
    { numRuns: runs(200) },
  );
});

test('a train without positions has a chart without rows', () => {
  const chart = chartOf({ ...demoTrain('mud-tram'), positions: [] });
  expect(chart).toEqual({
    rows: [],
    forward: { count: 0, distinct: 0, spread: null, idealStep: null },
    duplicates: [],
    near: [],
  });
});

test('rows of one ratio are told as duplicates, by their ids', () => {
  const train = demoTrain('pan-rake');
  const [first] = train.positions.filter(({ id }) => id === '1');
  const twice = { ...train, positions: [...train.positions, { ...first!, id: 'again', name: 'again' }] };
  expect(chartOf(twice).duplicates).toEqual([['1', 'again']]);
});

test('rows less than one per cent apart are told as near, by how much, and never across the directions', () => {
  // By hand: 201/100 and 2 are 0.4975 % apart, 2 and 198/100 one per cent exactly.
  const box = countershaftBox([
    [
      [100, 201],
      [100, 200],
      [100, 198],
    ],
    [[30, 30]],
  ]);
  expect(chartOf(box).near).toEqual([{ ids: ['1', '2'], apart: expect.closeTo(0.49751, 4) }]);
  expect(chartOf({ ...box, positions: box.positions.slice(1) }).near).toEqual([]);
});

test('a position left out of the ladder stays in the chart; steps, spread and shifts go past it', () => {
  const tram = demoTrain('mud-tram');
  const left = {
    ...tram,
    positions: tram.positions.map((one) => (/\+$/.test(one.name) ? { ...one, ladder: false as const } : one)),
  };
  const [whole, ladder] = [chartOf(tram), chartOf(left)];
  expect(ladder.rows.map(({ solved }) => solved.ratio)).toEqual(whole.rows.map(({ solved }) => solved.ratio));
  const variants = ladder.rows.filter(({ onLadder }) => !onLadder);
  expect(variants.map(({ name }) => name)).toEqual(['1+', '2+']);
  for (const { step } of variants) expect(step).toBeNull();
  // From 4 nothing follows any more: that 1+ comes after it was no step.
  expect(whole.rows.find(({ name }) => name === '4')!.step).not.toBeNull();
  expect(ladder.rows.find(({ name }) => name === '4')!.step).toBeNull();
  expect(ladder.forward.count).toBe(whole.forward.count - 2);
  const ends = neighbouringShifts(left).flatMap(({ from, to }) => [from.name, to.name]);
  expect(ends).not.toContain('1+');
  expect(idealSteps(ladder, 'even').steps.size).toBe(3);
});
