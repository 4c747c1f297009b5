import { runs } from '@/testing/runs';
import fc from 'fast-check';
import { arbitraryTrain } from '@/testing/arbitrary-train';
import { demoTrain } from '@/testing/demo-train';
import { listCombinations } from '../gear-chart';
import { networkOf } from '../kinematics';
import { memberFigures } from '../powerflow';
import { add, div, equals, fraction, sub, toFraction } from '../rational';
import { solveEngaged } from '../solve';
import { pathPairsIn } from './two-paths';
import { modelOf } from '../model';

const inPosition = (name: string, id: string) => pathPairsIn(modelOf(demoTrain(name)).positions().get(id)!);

test('the conveyor’s two paths, by hand: a third by the upper side gear, the rest by the case', () => {
  const [found, ...more] = inPosition('conveyor-shifter', 'fast');
  expect(more).toEqual([]);
  // The upper side gear makes 12/36 of a turn for one of the input, which a bevel differential takes over with the
  // other way round; the rest comes by the case.
  expect(found).toMatchObject({ sum: 'out', recirculates: false });
  expect(found!.paths.map(({ member, turns, share }) => [member, toFraction(turns), toFraction(share)])).toEqual([
    ['top', '1/3', '25/73'],
    ['case', '16/25', '48/73'],
  ]);
  expect(toFraction(found!.turns)).toBe('73/75');
});

test('planetary ones are found too, and power that goes round is said', () => {
  expect(inPosition('harvester', '3')).toMatchObject([{ sum: 'out', recirculates: false }]);
  const [round] = inPosition('mud-tram', 'R');
  expect(round).toMatchObject({ recirculates: true });
  expect(round!.paths.map(({ share }) => toFraction(share)).sort()).toEqual(['-5/13', '18/13']);
});

test('a train without a differential has none', () => {
  for (const id of ['1', '2', '3', '4']) expect(inPosition('pan-rake', id)).toEqual([]);
});

test('in random trains: the paths add up to what the solver says, and their shares to one', () => {
  let found = 0;
  fc.assert(
    fc.property(arbitraryTrain({ oneWays: true }), fc.nat(), (train, pick) => {
      const driving = listCombinations(networkOf(train))!.filter(({ status }) => status === 'drive');
      if (driving.length === 0) return;
      const solved = solveEngaged(modelOf(train).open, driving[pick % driving.length]!.engaged);
      for (const { sum, paths, turns, recirculates } of pathPairsIn(solved)) {
        found++;
        const speed = (id: string) => solved.state.speeds.of(solved.network.memberIds.indexOf(id))!;
        expect(equals(turns, div(speed(sum), solved.flow.speed))).toBe(true);
        expect(toFraction(sub(add(paths[0].turns, paths[1].turns), turns))).toBe('0');
        if (turns.n === 0) continue;
        expect(equals(add(paths[0].share, paths[1].share), fraction(1))).toBe(true);
        expect(recirculates).toBe(paths.some(({ share }) => share.n < 0));
      }
    }),
    { numRuns: runs(600), seed: 15 },
  );
  expect(found).toBeGreaterThan(5);
});

test('the shares are those of the power that the solver sends through the set’s members', () => {
  const solved = modelOf(demoTrain('conveyor-shifter')).positions().get('fast')!;
  const powers = new Map(memberFigures(solved).map(({ id, power }) => [id, power]));
  const [{ paths }] = pathPairsIn(solved) as [ReturnType<typeof pathPairsIn>[0]];
  for (const { member, share } of paths) expect(toFraction(powers.get(member)!)).toBe(toFraction(share));
});
