import { readFileSync } from 'node:fs';
import { demoTrain } from '@/testing/demo-train';
import { chartJson } from './chart';
import { shiftsJson } from './shifts';

test('the mud tram’s chart is the one that was worked out independently', () => {
  interface Printed {
    readonly positions: readonly { readonly name: string }[];
    readonly forward: { readonly idealStep: number };
  }
  const printed = chartJson(demoTrain('mud-tram')) as Printed;
  const { positions, forward } = JSON.parse(
    readFileSync('src/core/gear-chart/cases/chart.mud-tram.json', 'utf8'),
  ) as Printed;
  // The demo's members and couplers have names of their own; ids and figures are the case's.
  const nameless = (rows: Printed['positions']) => rows.map(({ name: _, ...row }) => row);
  expect(nameless(printed.positions)).toEqual(nameless(positions));
  expect(printed.forward).toEqual({ ...forward, idealStep: expect.closeTo(forward.idealStep, 12) });
});

const expected = (name: string) =>
  (JSON.parse(readFileSync(`src/core/gear-chart/cases/shifts.${name}.json`, 'utf8')) as { shifts: unknown[] }).shifts;

test('the tram hands over by itself, the rake from one clutch to the next, as was worked out independently', () => {
  type Printed = { shifts: { from: string; to: string }[] };
  const printed = (name: string) => (shiftsJson(demoTrain(name), null) as Printed).shifts;
  expect(printed('mud-tram').slice(0, 3)).toEqual(expected('mud-tram'));
  const cases = expected('pan-rake') as Printed['shifts'];
  expect(printed('pan-rake').filter(({ from, to }) => cases.some((one) => one.from === from && one.to === to))).toEqual(
    cases,
  );
});
