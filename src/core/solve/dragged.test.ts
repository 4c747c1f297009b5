import fc from 'fast-check';
import { arbitraryTrain } from '@/testing/arbitrary-train';
import { checkedTrain } from '@/testing/checked-train';
import { demoTrain } from '@/testing/demo-train';
import { runs } from '@/testing/runs';
import { motionsOf, willisRows, type Row } from '@/testing/willis-rows';
import { FRAME_INDEX, type MemberIndex } from '../kinematics';
import { add, equals, isZero, mul, ONE, sign, sub, sum, toFraction, ZERO, type Rational } from '../rational';
import type { Train } from '../train';
import { modelOf } from '../model';
import type { Solved } from '.';

const everyKind = arbitraryTrain({ oneWays: true, outputs: true, worms: true, planetsOnPlanets: true });
const speedsOf = ({ network, dragged }: Solved) => network.memberIds.map((_, member) => dragged.speedOf(member));
const dot = (a: Row, b: Row): Rational => sum(a.map((value, i) => mul(value, b[i]!)));

/** ω_b − ω_a as a row over all members. */
const leadRow = (size: number, a: MemberIndex, b: MemberIndex): Row =>
  Array.from({ length: size }, (_, i) => sub(i === b ? ONE : ZERO, i === a ? ONE : ZERO));

/** Everything that may not be broken, written out from the document; and what may only open one way. */
function constraints(train: Train, { network, state, flow }: Solved): { readonly ties: Row[]; readonly leads: Row[] } {
  const size = train.members.length;
  const on = new Set(state.meshes.map(({ mesh }) => mesh.id));
  const slides = train.couplers.some(({ type }) => type === 'sliding-mesh');
  const rows = willisRows(train, true).filter((_, i) => !slides || on.has(train.meshes[i]!.id));
  const leads = network.couplers.flatMap(({ coupler, acts }) =>
    acts.kind === 'joins' && state.oneWays.get(coupler.id) === 'overruns' ? [leadRow(size, acts.a, acts.b)] : [],
  );
  return {
    ties: [
      ...rows,
      ...state.joints.map(({ tie }) => leadRow(size, tie.a, tie.b)),
      leadRow(size, FRAME_INDEX, flow.driver),
    ],
    leads,
  };
}

test('random trains: one motion that nothing forbids, as solved where determined, and none moves less', () => {
  let [free, dragging] = [0, 0];
  fc.assert(
    fc.property(everyKind, fc.array(fc.integer({ min: -3, max: 3 }), { minLength: 12, maxLength: 12 }), (train, by) => {
      for (const solved of modelOf(train).positions().values()) {
        if (solved.status === 'locked') {
          expect(speedsOf(solved).every(isZero)).toBe(true);
          continue;
        }
        const speeds = speedsOf(solved);
        const open = speeds.map((_, member) => solved.state.speeds.of(member) === null);
        speeds.forEach((speed, member) => {
          const found = solved.state.speeds.of(member);
          if (found) expect(equals(speed, found)).toBe(true);
        });
        const { ties, leads } = constraints(train, solved);
        // All but the last, which is the driver's own turning.
        for (const row of ties.slice(0, -1)) expect(toFraction(dot(row, speeds))).toBe('0');
        for (const row of leads) expect(sign(dot(row, speeds))).toBeGreaterThanOrEqual(0);
        if (!open.includes(true)) continue;
        free++;
        if (solved.dragged.holds.size > 0) dragging++;
        // Convex: it is the least when no step that is allowed goes downhill. Steps are made from all motions left.
        const steps = motionsOf(ties, train.members.length);
        for (let round = 0; round < 6; round++) {
          const step = steps.reduce<Row>(
            (made, direction, i) =>
              made.map((value, m) => add(value, mul(direction[m]!, { n: by[(i * 5 + round * 7) % by.length]!, d: 1 }))),
            speeds.map(() => ZERO),
          );
          if (leads.some((row) => isZero(dot(row, speeds)) && sign(dot(row, step)) < 0)) continue;
          const uphill = sum(speeds.map((speed, m) => (open[m] ? mul(speed, step[m]!) : ZERO)));
          expect(sign(uphill)).toBeGreaterThanOrEqual(0);
        }
      }
    }),
    { numRuns: runs(400) },
  );
  expect([free > runs(60), dragging > runs(5)]).toEqual([true, true]);
});

test('sets in a row with more freedoms than are minimised over members: all is allowed all the same', () => {
  const ids = Array.from({ length: 18 }, (_, i) => i);
  const train = checkedTrain({
    name: 'Brine row',
    members: [
      { id: 'm0', name: 'm0' },
      ...ids.flatMap((i) => [
        { id: `m${i + 1}`, name: `m${i + 1}` },
        { id: `r${i}`, name: `r${i}` },
        { id: `p${i}`, name: `p${i}`, carrier: `m${i + 1}`, copies: 3 },
      ]),
    ],
    gears: ids.flatMap((i) => [
      { id: `s${i}`, member: `m${i}`, teeth: 20, type: 'external' },
      { id: `q${i}`, member: `p${i}`, teeth: 20, type: 'external' },
      { id: `g${i}`, member: `r${i}`, teeth: 60, type: 'internal' },
    ]),
    meshes: ids.flatMap((i) => [
      { id: `a${i}`, gears: [`s${i}`, `q${i}`] },
      { id: `b${i}`, gears: [`q${i}`, `g${i}`] },
    ]),
    couplers: ids.map((i) => ({
      ...{ id: `w${i}`, name: `w${i}`, type: 'one-way', control: 'selectable' },
      joins: i % 2 ? ['frame', `r${i}`] : [`r${i}`, 'm0'],
    })),
    positions: [
      { id: 'free', name: 'free', engaged: [] },
      { id: 'some', name: 'some', engaged: ids.filter((i) => i % 3 > 0).map((i) => `w${i}`) },
    ],
    input: 'm0',
    outputs: ['m18'],
  });
  for (const solved of modelOf(train).positions().values()) {
    expect(solved.state.mobility).toBeGreaterThan(12);
    const speeds = speedsOf(solved);
    const { ties, leads } = constraints(train, solved);
    for (const row of ties.slice(0, -1)) expect(toFraction(dot(row, speeds))).toBe('0');
    for (const row of leads) expect(sign(dot(row, speeds))).toBeGreaterThanOrEqual(0);
    expect(toFraction(speeds[0]!)).toBe('1');
    expect(speeds.some((speed, member) => solved.state.speeds.of(member) === null && !isZero(speed))).toBe(true);
  }
});

test('in neutral of the rake’s box the output stands, and its loose gears turn with their mates', () => {
  const solved = modelOf(demoTrain('pan-rake')).positions().get('N')!;
  const at = (id: string) => toFraction(solved.dragged.speedOf(solved.network.memberIndex.get(id)!));
  expect([solved.state.speeds.of(solved.network.memberIndex.get('out')!), at('out'), at('in')]).toEqual([
    null,
    '0',
    '1',
  ]);
});
