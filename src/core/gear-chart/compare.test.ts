import { countershaftBox } from '@/testing/countershaft-box';
import { demoTrain } from '@/testing/demo-train';
import { abs, sub, toFraction, toNumber } from '../rational';
import { chartOf, compareCharts, relativeSpeeds } from '.';
import { modelOf } from '../model';

const chart = (names: readonly string[], ...pairs: [number, number][]) => {
  const box = countershaftBox([pairs, [[30, 30]]]);
  return chartOf({ ...box, positions: box.positions.map((position, i) => ({ ...position, name: names[i]! })) });
};

const told = (by: 'name' | 'ratio', mine: ReturnType<typeof chart>, theirs: ReturnType<typeof chart>) =>
  compareCharts(mine, theirs, by).map(({ mine: own, theirs: other, difference }) => [
    own?.name ?? null,
    other?.name ?? null,
    difference && Number(difference.toFixed(6)),
  ]);

test('by name first, what is left by the nearest ratio; differences in per cent of mine', () => {
  // Mine 4, 2, 1; theirs 4.2 (called 1), 1.05 (called fast), 3 (called slow).
  const mine = chart(['1', '2', '3'], [10, 40], [10, 20], [10, 10]);
  const theirs = chart(['1', 'fast', 'slow'], [10, 42], [20, 21], [10, 30]);
  expect(told('name', mine, theirs)).toEqual([
    ['1', '1', 5],
    ['2', 'slow', 50],
    ['3', 'fast', 5],
  ]);
});

test('by ratio throughout, whatever the names; what is left over stands alone', () => {
  const mine = chart(['1', '2'], [10, 40], [10, 20]);
  const theirs = chart(['2', '1', 'more'], [10, 40], [10, 20], [10, 11]);
  expect(told('ratio', mine, theirs)).toEqual([
    ['1', '2', 0],
    ['2', '1', 0],
    [null, 'more', null],
  ]);
  expect(told('name', mine, theirs).map(([, , difference]) => difference)).toEqual([-50, 100, null]);
});

test('forward and reverse never match by ratio, and what does not drive has no difference', () => {
  const pairs = compareCharts(chartOf(demoTrain('pan-rake')), chartOf(demoTrain('mud-tram')), 'name');
  const named = (name: string) => pairs.find(({ mine }) => mine?.name === name)!;
  expect(named('R').theirs!.name).toBe('R');
  expect(named('N').difference).toBeNull();
  for (const { mine, theirs, difference } of pairs)
    if (difference !== null)
      expect(Math.sign(toNumber(mine!.solved.ratio!))).toBe(Math.sign(toNumber(theirs!.solved.ratio!)));
});

test.each(['harvester', 'mud-tram', 'ferry-hub', 'crawler'])(
  'relative speeds of the %s are differences of its members’ speeds, for planets and open couplers alone',
  (name) => {
    const train = demoTrain(name);
    const { network, positions } = modelOf(train);
    for (const solved of positions().values()) {
      const found = relativeSpeeds(solved);
      const of = (id: string) => solved.state.speeds.of(network.memberIndex.get(id)!);
      for (const { kind, id, speed } of found) {
        const coupler = train.couplers.find((one) => one.id === id);
        const [a, b] =
          kind === 'planet'
            ? [train.members.find((one) => one.id === id)!.carrier!, id]
            : coupler && 'joins' in coupler
              ? coupler.joins
              : ['', ''];
        const [first, second] = [of(a), of(b)];
        if (first && second) expect(toFraction(abs(speed!))).toBe(toFraction(abs(sub(second, first))));
        if (kind === 'coupler') expect(solved.state.joints.some((joint) => joint.id === id)).toBe(false);
      }
      expect(found.filter(({ kind }) => kind === 'planet')).toHaveLength(
        train.members.filter(({ carrier }) => carrier).length,
      );
    }
  },
);
