import { runs } from '@/testing/runs';
import fc from 'fast-check';
import { arbitraryTrain } from '@/testing/arbitrary-train';
import { countershaftBox } from '@/testing/countershaft-box';
import { demoTrain } from '@/testing/demo-train';
import { networkOf } from '../kinematics';
import { equals, mul, ONE, sub, toFraction, toNumber } from '../rational';
import { solveEngaged } from '../solve';
import type { Position, Train } from '../train';
import { listCombinations, shiftBetween, shiftDetails } from '.';
import { modelOf } from '../model';

const shift = (train: Train, from: string, to: string) =>
  shiftBetween(
    train,
    train.positions.find(({ id }) => id === from)!,
    train.positions.find(({ id }) => id === to)!,
  );

test(
  'from second to third of the rake, by hand: one clutch for another, with a ' +
    'neutral between and a tie-up where both are on',
  () => {
    const train = demoTrain('pan-rake');
    const one = shift(train, '2', '3');
    const { overlap, gap, matches, inputSpeed, inputTorque, positive, handsOver, order } = shiftDetails(one);
    expect([overlap, gap, positive, handsOver]).toEqual(['locked', 'neutral', [], []]);
    const step = (one.before.ratio!.n as number) / (one.before.ratio!.d as number) / toNumber(one.after.ratio!);
    expect(toNumber(inputSpeed!)).toBeCloseTo(1 / step, 12);
    expect(toNumber(inputTorque!)).toBeCloseTo(step, 12);
    // The wheel of third turns with the output's gear before its clutch is on: at one speed they would not have to be
    // matched.
    const speeds = one.before.state.speeds;
    const clutch = train.couplers.find(({ id }) => id === 'third')!;
    const [a, b] = 'joins' in clutch ? clutch.joins : ['', ''];
    const of = (id: string) => speeds.of(one.before.network.memberIndex.get(id)!)!;
    expect(matches).toEqual([{ coupler: 'third', difference: sub(of(b), of(a)) }]);
    expect(order).toEqual([
      { coupler: 'second', goes: 'off', then: 'neutral' },
      { coupler: 'third', goes: 'on', then: 'drive' },
    ]);
  },
);

test('the tram hands over by itself: its roller overruns once the hold is on', () => {
  const train = demoTrain('mud-tram');
  const { handsOver, overlap, gap, order } = shiftDetails(shift(train, '1', '2'));
  expect(handsOver.map(({ then }) => then)).toContain('overruns');
  expect([overlap, gap]).toEqual([null, null]);
  expect(order!.map(({ coupler, goes }) => [coupler, goes])).toEqual([['hold', 'on']]);
});

test('dogs are told, and a shift of two dogs at once is double', () => {
  const box = countershaftBox([
    [
      [20, 40],
      [30, 30],
    ],
    [
      [15, 45],
      [30, 30],
    ],
  ]);
  const dogged = { ...box, couplers: box.couplers.map((coupler) => ({ ...coupler, style: 'dog' as const })) };
  const double = shift(dogged, '2', '3');
  expect(double.verdict).toBe('double');
  expect(shiftDetails(double).positive).toEqual(['a2', 'b1', 'a1', 'b2']);
  expect(shiftDetails(shift(box, '2', '3')).positive).toEqual([]);
  // Whichever goes first opens the way through; between the two clutches of one group the train drives again.
  expect(shiftDetails(double).order!.map(({ then }) => then)).toEqual(['neutral', 'drive', 'neutral', 'drive']);
});

test('a sliding mesh has to be matched by the speed that its other gear would drive it at', () => {
  const train = demoTrain('pan-rake');
  const reverse = train.positions.find(({ id }) => id === 'R')!;
  const first = train.positions.find(({ id }) => id === '1')!;
  const { matches, positive } = shiftDetails(shiftBetween(train, first, reverse));
  expect(positive).toEqual(['idler-a', 'idler-b']);
  const solved = solveEngaged(modelOf(train).open, first.engaged);
  for (const { coupler, difference } of matches) {
    const mesh = solved.network.meshes.find(({ slidBy }) => slidBy !== null && train.couplers[slidBy]!.id === coupler)!;
    const [a, b] = [solved.state.speeds.of(mesh.a), solved.state.speeds.of(mesh.b)];
    if (!a || !b || !difference) continue;
    // Driven by the first gear, the second would turn at −z_a/z_b of it.
    const teeth = (id: string) => train.gears.find((gear) => gear.id === id)!.teeth;
    const driven = (-toNumber(a) * teeth(mesh.mesh.gears[0])) / teeth(mesh.mesh.gears[1]);
    expect(toNumber(difference)).toBeCloseTo(toNumber(b) - driven, 12);
  }
});

function* orders(items: readonly string[]): Generator<readonly string[]> {
  if (items.length === 0) yield [];
  for (const item of items) for (const rest of orders(items.filter((other) => other !== item))) yield [item, ...rest];
}

test('of any shift: the order that is suggested locks nowhere, and no order passes fewer that do not drive', () => {
  const seen = { free: 0, blocked: 0 };
  const pairs = fc.tuple(arbitraryTrain({ oneWays: true, outputs: true, worms: true }), fc.nat(), fc.nat());
  fc.assert(
    fc.property(pairs, ([train, a, b]) => {
      const sets = listCombinations(networkOf(train))!;
      const position = (id: string, at: number): Position => ({
        id,
        name: id,
        engaged: [...sets[at % sets.length]!.engaged],
      });
      const one = shiftBetween(train, position('a', a), position('b', b));
      const moving = [...one.off, ...one.on];
      if (moving.length > 5 || moving.length === 0) return;
      const open = modelOf(train).open;
      const costs = [...orders(moving)].flatMap((order) => {
        const engaged = new Set(one.from.engaged);
        const statuses = order.slice(0, -1).map((id) => {
          if (!engaged.delete(id)) engaged.add(id);
          return solveEngaged(open, engaged).status;
        });
        return statuses.includes('locked') ? [] : [statuses.filter((status) => status !== 'drive').length];
      });
      const { order, inputSpeed, inputTorque } = shiftDetails(one);
      if (inputSpeed && inputTorque) expect(equals(mul(inputSpeed, inputTorque), ONE)).toBe(true);
      const ends = [one.from, one.to].map(({ engaged }) => solveEngaged(open, engaged).status);
      expect(order === null).toBe(costs.length === 0 || ends.includes('locked'));
      expect(order === null).toBe(one.verdict === 'blocked');
      seen[order ? 'free' : 'blocked']++;
      if (!order) return;
      const engaged = new Set(one.from.engaged);
      for (const { coupler, goes, then } of order) {
        expect(engaged.has(coupler)).toBe(goes === 'off');
        if (!engaged.delete(coupler)) engaged.add(coupler);
        expect(solveEngaged(open, engaged).status).toBe(then);
      }
      expect([...engaged].sort()).toEqual([...one.to.engaged].sort());
      expect(order.slice(0, -1).filter(({ then }) => then !== 'drive')).toHaveLength(Math.min(...costs));
    }),
    { numRuns: runs(300) },
  );
  expect(seen.free).toBeGreaterThan(runs(50));
  expect(seen.blocked).toBeGreaterThan(5);
});

test('why second to third is double on one train and single on another: what moves', () => {
  const train = demoTrain('harvester');
  expect(shift(train, '2', '3')).toMatchObject({ verdict: 'single', off: ['A'], on: ['C'] });
  const { ratio } = solveEngaged(modelOf(train).open, ['A', 'B', 'E']);
  expect(toFraction(shift(train, '2', '3').before.ratio!)).toBe(toFraction(ratio!));
});
