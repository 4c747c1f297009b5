import Papa from 'papaparse';
import { chartOf, idealSteps, readPasted } from '@/core/gear-chart';
import { replacePositions } from '@/core/train';
import { demoNames, demoTrain } from '@/testing/demo-train';
import { tabText } from '@/ui/table-text';
import { chartText } from './chart-text';
import { rowFigures } from './row-figures';

const typed = (value: number, unit: string) => ({ value, unit, si: 1, message: null });
const INPUT = { speed: typed(30, 'rpm'), torque: typed(10, 'N·m') };
const NAMES = demoNames();

test.each(NAMES)(
  'the chart of the %s, copied and pasted over itself, changes nothing and leaves nothing in doubt',
  (name) => {
    const train = demoTrain(name);
    const chart = chartOf(train);
    const text = tabText(chartText(chart, train.couplers, idealSteps(chart, 'even'), 'in/out', INPUT));
    const { rows, doubts, columns } = readPasted(train, Papa.parse<string[]>(text, { delimiter: '\t' }).data);
    expect(doubts).toEqual([]);
    expect(columns.map(({ use }) => use.kind)).not.toContain('unknown');
    const taken = replacePositions(train, rows, { replace: true });
    if (!taken.ok) throw new Error(taken.message);
    expect(taken.train.positions.map(({ id, name: own, engaged }) => [id, own, [...engaged].sort()])).toEqual(
      train.positions.map(({ id, name: own, engaged }) => [id, own, [...engaged].sort()]),
    );
  },
);

test('a row says what it doubles, and how far its step is from the ideal one', () => {
  const train = demoTrain('harvester');
  const again = { ...train, positions: [...train.positions, { id: 'again', name: 'again', engaged: ['A', 'B', 'E'] }] };
  const chart = chartOf(again);
  const figures = (id: string) =>
    rowFigures(
      chart.rows.find((row) => row.id === id)!,
      chart,
      idealSteps(chartOf(train), 'even'),
      'out/in',
      INPUT,
    );
  expect(figures('2')).toMatchObject({ doubles: '= again', ratio: '0.3307' });
  expect(figures('again').doublesSays).toBe('The same ratio as 2: one job, two rows.');
  // By hand: 4.32/3.024 = 10/7 over the seventh root of 108/17.5, less one.
  expect(figures('1').off).toBe('+10.2');
  expect(figures('N')).toMatchObject({ ratio: '—', does: 'neutral', step: '—', off: '—', speed: '—' });
});
