import type { PracticeAnswer } from '@/wire';
import { SKILLS, type Skill } from '@/core/practice';
import { drillOrder, dueWords, isDue, standingsOf } from './repeats';

const on = (day: string, right: boolean, skill: Skill = 'ratio', slip: string | null = null): PracticeAnswer => ({
  at: `2026-${day}T10:00:00.000Z`,
  train: 'Pan rake',
  skill,
  right,
  slip,
});
const ratio = (answers: readonly PracticeAnswer[]) => standingsOf(answers).find(({ skill }) => skill === 'ratio')!;
const noon = (day: string) => new Date(`2026-${day}T12:00:00.000Z`);

test('right on the day it is due goes up a box: 1, 3, 7, 14 days, and stays in the last', () => {
  const days = ['11-01', '11-02', '11-05', '11-12', '11-26'];
  const boxes = days.map((_, i) => ratio(days.slice(0, i + 1).map((day) => on(day, true))));
  expect(boxes.map(({ box }) => box)).toEqual([1, 2, 3, 4, 4]);
  expect(boxes.map(({ due }) => due!.toDateString())).toEqual(
    ['2026-11-02', '2026-11-05', '2026-11-12', '2026-11-26', '2026-12-10'].map((day) =>
      new Date(`${day}T12:00`).toDateString(),
    ),
  );
});

test('wrong goes back to the first box on any day; right before its day changes nothing', () => {
  const up = [on('11-01', true), on('11-02', true)];
  expect(ratio([...up, on('11-03', true)])).toMatchObject({ box: 2, asked: 3, right: 3 });
  expect(ratio([...up, on('11-03', true)]).due).toEqual(ratio(up).due);
  expect(ratio([...up, on('11-03', false)])).toMatchObject({ box: 1, sure: 0, asked: 3, right: 2 });
  expect(dueWords(ratio([...up, on('11-03', false)]), noon('11-03'))).toBe('due tomorrow');
});

test('when it comes back, in words', () => {
  const one = ratio([on('11-10', true), on('11-11', true)]);
  expect(dueWords(one, noon('11-11'))).toBe('due in 3 days');
  expect(dueWords(one, noon('11-14'))).toBe('due today');
  expect(dueWords(one, noon('11-15'))).toBe('due since 1 day');
  expect(dueWords(one, noon('11-20'))).toBe('due since 6 days');
  expect([isDue(one, noon('11-13')), isDue(one, noon('11-14'))]).toEqual([false, true]);
  expect(dueWords(ratio([]), noon('11-14'))).toBe('not asked yet');
});

test('a drill takes what is due first, then what was never asked, then the rest; slips are counted', () => {
  const answers = [
    on('11-01', false, 'torque', 'torque-like-speed'),
    on('11-02', false, 'torque', 'torque-like-speed'),
    on('11-02', false, 'torque', 'factor-of-ten'),
    on('11-01', false, 'ratio'),
    on('11-13', true, 'way'),
  ];
  const order = drillOrder(answers, ['way', 'pair', 'torque', 'ratio'], noon('11-13'));
  expect(order).toEqual(['ratio', 'torque', 'pair', 'way']);
  expect(standingsOf(answers).find(({ skill }) => skill === 'torque')!.slips).toEqual([
    { slip: 'torque-like-speed', times: 2 },
    { slip: 'factor-of-ten', times: 1 },
  ]);
  expect(standingsOf([])).toHaveLength(Object.keys(SKILLS).length);
});
