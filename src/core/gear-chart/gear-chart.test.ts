import fc from 'fast-check';
import { arbitraryTrain } from '@/testing/arbitrary-train';
import { demoTrain } from '@/testing/demo-train';
import { networkOf, openTrain } from '../kinematics';
import { toFraction } from '../rational';
import { solveEngaged } from '../solve';
import { combinedCouplers, duplicatePositions, listCombinations } from '.';
import { modelOf } from '../model';

describe('combinations', () => {
  test('agree with solving each set alone, for every train', () => {
    fc.assert(
      fc.property(arbitraryTrain({ oneWays: true }), (train) => {
        const network = networkOf(train);
        const open = openTrain(network);
        const combinations = listCombinations(network)!;
        expect(combinations).toHaveLength(2 ** combinedCouplers(network).length);
        expect(new Set(combinations.map(({ engaged }) => engaged.join())).size).toBe(combinations.length);
        for (const { engaged, status, mobility, ratio } of combinations) {
          const alone = solveEngaged(open, engaged);
          expect({ status, mobility, ratio: ratio && toFraction(ratio) }).toEqual({
            status: alone.status,
            mobility: alone.state.mobility,
            ratio: alone.ratio && toFraction(alone.ratio),
          });
        }
      }),
      { numRuns: 60 },
    );
  });

  test('of the harvester include every listed position', () => {
    const { network, positions } = modelOf(demoTrain('harvester'));
    const driving = listCombinations(network)!.filter(({ status }) => status === 'drive');
    const listed = [...positions().values()].flatMap(({ ratio }) => (ratio ? [toFraction(ratio)] : []));
    const found = new Set(driving.map(({ ratio }) => toFraction(ratio!)));
    listed.forEach((ratio) => expect(found).toContain(ratio));
  });

  test('can be watched and stopped', () => {
    const train = demoTrain('pan-rake');
    const couplers = [
      ...train.couplers,
      ...Array.from({ length: 6 }, (_, i) => ({
        id: `x${i}`,
        name: `x${i}`,
        type: 'clutch' as const,
        joins: ['w1', 'w2'] as [string, string],
      })),
    ];
    const network = networkOf({ ...train, couplers });
    const seen: number[] = [];
    expect(listCombinations(network, { progress: (done) => seen.push(done) })).toHaveLength(4096);
    expect(seen.at(-1)).toBe(4096);
    expect(seen.length).toBeGreaterThan(2);
    let calls = 0;
    expect(listCombinations(network, { cancelled: () => ++calls === 2 })).toBeNull();
  });

  test('too many couplers are refused with their number', () => {
    const train = demoTrain('pan-rake');
    const couplers = Array.from({ length: 21 }, (_, i) => ({
      id: `x${i}`,
      name: `x${i}`,
      type: 'clutch' as const,
      joins: ['w1', 'w2'] as [string, string],
    }));
    expect(() => listCombinations(networkOf({ ...train, couplers, positions: [] }))).toThrow(
      '21 couplers make too many combinations',
    );
  });
});

test('positions with one ratio are found', () => {
  const train = demoTrain('harvester');
  const doubled = {
    ...train,
    positions: [...train.positions, { id: 'again', name: 'again', engaged: ['A', 'B', 'E'] }],
  };
  expect(duplicatePositions(modelOf(train).positions())).toEqual([]);
  expect(duplicatePositions(modelOf(doubled).positions())).toEqual([['2', 'again']]);
});
