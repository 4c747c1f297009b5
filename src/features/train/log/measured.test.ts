import type { Log, Reading } from '@/core/measurement';
import { demoTrain } from '@/testing/demo-train';
import { measuredOf } from './measured';

const TRAM = demoTrain('mud-tram');
const marks = (id: string, passed: number, position = '1'): Reading => ({
  id,
  kind: 'marks',
  position,
  member: 'out',
  marks: 24,
  passed,
});
const log = (readings: readonly Reading[], corrections: Log['corrections'] = []): Log => ({
  format: 'tin-wheel/log',
  version: 1,
  readings: [...readings],
  corrections,
});

test('the newest reading of what is measured counts, as it was corrected; what happened to parts is told', () => {
  const turns: Reading = { id: 't', kind: 'turns', position: '1', member: 'out', turns: 4.1, inputTurns: 10 };
  const rpm: Reading = { id: 'r', kind: 'tachometer', position: '1', member: 'out', rpm: 120 };
  const sheared: Reading = { id: 'e', kind: 'event', part: 'mid', what: 'key sheared' };
  const found = measuredOf(
    TRAM,
    log([marks('a', 16), turns, rpm, marks('b', 10), sheared], [{ of: 'b', why: 'slip', reading: marks('c', 9.75) }]),
  );
  expect(found.positions.get('1')!.map(({ id, verdict, ratio }) => [id, verdict, ratio])).toEqual([
    ['c', 'agrees', true],
    ['r', 'no-verdict', false],
  ]);
  expect(found.events).toEqual([{ id: 'e', part: 'mid', what: 'key sheared' }]);
});

test('readings that do not fit the train any more are left to the Log, and an older one that fits shows', () => {
  const gone = { ...marks('z', 10), member: 'gone' } as Reading;
  const found = measuredOf(TRAM, log([marks('a', 10), gone, marks('b', 10, 'no such position')]));
  expect([...found.positions].map(([id, own]) => [id, own.map((one) => one.id)])).toEqual([['1', ['a']]]);
});
