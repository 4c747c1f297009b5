import { countershaftBox } from '@/testing/countershaft-box';
import type { Train } from '../train';
import { adviceOf, heatOf, ratioToMove, stallMargin } from './advice';
import { gearingsOf } from './gearings';
import { pointsOf } from './points';
import type { Scenario } from './scenario-schema';

/** Three speeds: 4, 2 and 1. */
const BOX = countershaftBox([
  [
    [20, 80],
    [20, 40],
    [30, 30],
  ],
]);
const order = BOX.positions.map(({ id }) => id);
const [first, second, third] = order as [string, string, string];

const scenario = (constantNm: number): Scenario => ({
  format: 'tin-wheel/scenario',
  version: 1,
  motor: { kind: 'linear', stallTorqueNm: 2, noLoadRpm: 300 },
  load: { constantNm },
  order,
});

const told = (train: Train, constantNm: number) => {
  const asked = scenario(constantNm);
  return adviceOf(train, asked, pointsOf(train, asked)).map(({ kind, positions, says }) => [kind, positions, says]);
};

test('what stalls, what is too tall and what another position does better, by hand', () => {
  // 1.7 N·m in third leaves 0.3/2 of the no-load speed, 45 rpm out; second sits at 0.575 of it, 86.25 rpm out.
  expect(told(BOX, 1.7)).toEqual([
    ['too tall', [third], `${third} is too tall: this motor would sit at 15 % of its no-load speed, mostly heating.`],
    [
      'never better',
      [third, second],
      `${third} is never better than ${second} here: it turns the output at 45.00 rpm, ${second} at 86.25.`,
    ],
  ]);
  // 3 N·m is more than 2 · 1, less than 2 · 2: second sits at a quarter, 37.5 rpm out, and first turns the output at
  // 46.875.
  expect(told(BOX, 3)).toEqual([
    ['stalls', [third], `Stalls on this load in ${third}.`],
    ['never better', [second, first], expect.stringContaining('37.50 rpm')],
  ]);
  expect(told(BOX, 0.2)).toEqual([]);
});

test('a member that would carry more at stall than people allow it is named with both figures', () => {
  const output = BOX.outputs[0]!;
  const limited: Train = {
    ...BOX,
    members: BOX.members.map((member) => (member.id === output ? { ...member, limit: 7 } : member)),
  };
  // 2 N·m times 4 is 8; times 2 only 4.
  expect(told(limited, 0.2)).toEqual([
    ['limit', [first], `${output}: 8.000 N·m when it stalls in ${first}, you gave 7.000.`],
  ]);
});

test('margins: stall torque over load, and heat, held to what people allow', () => {
  const asked = { ...scenario(1), heatLimit: 0.2 };
  const gearings = gearingsOf(BOX, order, false);
  expect(stallMargin(asked, gearings.get(first)!)).toBe(8);
  expect(stallMargin(asked, gearings.get(third)!)).toBe(2);
  expect(
    ratioToMove(
      {
        ...asked,
        load: {
          constantNm: 1,
          profile: [
            [0, 0],
            [5, 8],
          ],
        },
      },
      gearings.get(first)!,
    ),
  ).toBe(4.5);
  expect(stallMargin(scenario(-1), gearings.get(first)!)).toBeNull();
  const points = pointsOf(BOX, asked);
  expect(heatOf(asked, points.positions.get(third)!.inputTorqueNm)).toBeCloseTo(0.25, 12);
  expect(adviceOf(BOX, asked, points).map(({ says }) => says)).toEqual([
    `${third} heats the motor: (T/T₀)² is 0.2500, you gave 0.2000 for continuous running.`,
  ]);
});
