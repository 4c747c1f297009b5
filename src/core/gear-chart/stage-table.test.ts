import { runs } from '@/testing/runs';
import fc from 'fast-check';
import { arbitraryTrain } from '@/testing/arbitrary-train';
import { countershaftBox } from '@/testing/countershaft-box';
import { demoTrain } from '@/testing/demo-train';
import { networkOf } from '../kinematics';
import { equals, mul, toFraction } from '../rational';
import type { Train } from '../train';
import { chartOf, listCombinations, stageProduct, stageTable, type ChainStage } from '.';

const cell = (stage: ChainStage): string =>
  stage.kind === 'pair' ? `${stage.drivenTeeth}/${stage.driverTeeth}` : `set ${toFraction(stage.ratio)}`;

test('a box with an input pair, three speeds and a final pair: what all rows share is told once', () => {
  const box = countershaftBox([
    [[20, 40]],
    [
      [15, 45],
      [20, 40],
      [30, 30],
    ],
    [[17, 51]],
  ]);
  const { first, last, rows, columns, branched } = stageTable(box);
  expect([first.map(cell), last.map(cell), columns, branched]).toEqual([['40/20'], ['51/17'], 1, []]);
  expect(rows.map(({ stages, ratio }) => [stages.map(cell), toFraction(ratio)])).toEqual([
    // By hand: 2 × 3 × 3, 2 × 2 × 3, 2 × 1 × 3, and three outer meshes turn it round.
    [['45/15'], '-18'],
    [['40/20'], '-12'],
    [['30/30'], '-6'],
  ]);
});

test('a set with one member held is a stage with its set ratio; direct drive has none', () => {
  const { rows, first, last, columns } = stageTable(demoTrain('stirrer'));
  expect([first, last, columns]).toEqual([[], [], 1]);
  const [slow, direct] = rows;
  expect(slow!.stages.map(({ kind }) => kind)).toEqual(['set']);
  expect(toFraction(slow!.stages[0]!.ratio)).toBe(toFraction(slow!.ratio));
  expect(direct!.stages).toEqual([]);
});

test('a train of which every position adds motions has no stages, and says which', () => {
  const train = demoTrain('harvester');
  const chart = chartOf(train);
  const { rows, branched } = stageTable(train);
  const driving = chart.rows.filter(({ solved }) => solved.status === 'drive').map(({ id }) => id);
  expect([...rows.map(({ id }) => id), ...branched].sort()).toEqual([...driving].sort());
  expect(branched.length).toBeGreaterThan(0);
});

test('of any train: the stages of a row multiply to its ratio, and each pair is driven over driver', () => {
  let chains = 0;
  const charted = fc
    .tuple(
      arbitraryTrain({ oneWays: true, outputs: true, worms: true }),
      fc.array(fc.nat(), { minLength: 4, maxLength: 4 }),
    )
    .map(([train, picks]): Train => {
      const sets = listCombinations(networkOf(train))!.filter(({ status }) => status === 'drive');
      const positions =
        sets.length === 0
          ? []
          : picks.map((pick, i) => ({ id: `p${i}`, name: `p${i}`, engaged: [...sets[pick % sets.length]!.engaged] }));
      return { ...train, positions };
    });
  fc.assert(
    fc.property(charted, (train) => {
      const chart = chartOf(train);
      const table = stageTable(train);
      const common = mul(stageProduct(table.first), stageProduct(table.last));
      expect(table.rows.length + table.branched.length).toBe(chart.rows.length);
      for (const { stages, ratio } of table.rows) {
        chains++;
        expect(equals(mul(common, stageProduct(stages)), ratio)).toBe(true);
        for (const stage of stages)
          if (stage.kind === 'pair') {
            const teeth = (id: string) => train.gears.find((gear) => gear.id === id)!.teeth;
            expect([stage.driverTeeth, stage.drivenTeeth]).toEqual([teeth(stage.driver), teeth(stage.driven)]);
          }
      }
    }),
    { numRuns: runs(200) },
  );
  expect(chains).toBeGreaterThan(100);
});
