import Papa from 'papaparse';
import { demoTrain } from '@/testing/demo-train';
import { replacePositions } from '../train';
import { chartOf, readPasted } from '.';

const train = demoTrain('mud-tram');
const cells = (text: string) => Papa.parse<string[]>(text, { delimiter: '\t' }).data;
const read = (text: string, answers?: Parameters<typeof readPasted>[2]) => readPasted(train, cells(text), answers);

test('a table out of a spreadsheet: columns by name or id whatever the case, marks as people make them', () => {
  const { rows, doubts, columns } = read(
    'Gear\tForward\tHOLD\tdirect\tFront Brake\tratio\n' +
      'low\tx\t\t-\t0\t2,43\n' +
      'second\t●\t1\t\t\t1,48\n' +
      'top\tforward\tHold\tyes\tX\t0.72\n',
  );
  expect(doubts).toEqual([]);
  expect(columns.map(({ use }) => use.kind)).toEqual(['name', 'coupler', 'coupler', 'coupler', 'coupler', 'left-out']);
  expect(rows).toEqual([
    { name: 'low', engaged: ['forward'] },
    { name: 'second', engaged: ['forward', 'hold'] },
    { name: 'top', engaged: ['forward', 'hold', 'direct', 'front brake'] },
  ]);
  const taken = replacePositions(train, rows, { replace: true });
  expect(taken.ok && chartOf(taken.train).rows.map(({ name, solved }) => [name, solved.status])).toEqual([
    ['low', 'drive'],
    ['second', 'drive'],
    ['top', 'drive'],
  ]);
});

test('an unknown coupler is asked about, and an answer is taken', () => {
  const text = 'position\tforward\tbrake 7\na\tx\tx\n';
  const first = read(text);
  expect(first.columns[2]).toMatchObject({ head: 'brake 7', use: { kind: 'unknown' }, sample: ['x'] });
  expect(first.rows).toEqual([{ name: 'a', engaged: ['forward'] }]);
  const answered = read(text, new Map([[2, { kind: 'coupler', coupler: 'front brake' }]]));
  expect(answered.rows).toEqual([{ name: 'a', engaged: ['forward', 'front brake'] }]);
  expect(read(text, new Map([[2, { kind: 'left-out' }]])).columns[2]!.use).toEqual({ kind: 'left-out' });
});

test('half a table: cells that are missing count as off and are told, rows unnamed or twice are left out', () => {
  const { rows, doubts } = read('position\tforward\thold\na\tx\n\tx\tx\nb\tx\tx\nB\tx\t\n');
  expect(rows).toEqual([
    { name: 'a', engaged: ['forward'] },
    { name: 'b', engaged: ['forward', 'hold'] },
  ]);
  expect(doubts).toEqual([
    'Row 2 ("a") has 2 of 3 cells; the rest counts as off.',
    'Row 3 has no name and is left out.',
    'Row 5: there is a row "B" already; this one is left out.',
  ]);
});

test('marks that nobody makes are told with their place and count as off; a number with a comma is read as one', () => {
  const { rows, doubts } = read('position\tforward\thold\na\t1,0\t0,0\nb\tmaybe\t2\n');
  expect(rows).toEqual([
    { name: 'a', engaged: ['forward'] },
    { name: 'b', engaged: [] },
  ]);
  expect(doubts).toEqual([
    'Row 3 ("b"): "maybe" under Forward counts as off.',
    'Row 3 ("b"): "2" under Hold counts as off.',
  ]);
});

test('without a head the columns are the couplers in their order, where there are as many', () => {
  const own = train.couplers.filter(({ type }) => type !== 'one-way');
  const row = (name: string, on: string) => [name, ...own.map(({ id }) => (id === on ? 'x' : ''))].join('\t');
  expect(read([row('a', 'forward'), row('b', 'hold')].join('\n')).rows).toEqual([
    { name: 'a', engaged: ['forward'] },
    { name: 'b', engaged: ['hold'] },
  ]);
  const { rows, columns } = read('a\tx\nb\t\n');
  expect(columns.map(({ use }) => use.kind)).toEqual(['name', 'unknown']);
  expect(rows.every(({ engaged }) => engaged.length === 0)).toBe(true);
});

test('ten thousand rows: as many as a train may have are read, and that is said first', () => {
  const text = ['position\tforward', ...Array.from({ length: 10_000 }, (_, i) => `p${i}\tx`)].join('\n');
  const { rows, doubts } = read(text);
  expect(rows).toHaveLength(128);
  expect(doubts).toEqual(['10000 rows; a train has at most 128 positions, so the first 128 are read.']);
});

test('one-way clutches that decide for themselves are left out, and nothing at all is nothing', () => {
  expect(read('position\tfront roller\na\tholds\n').columns[1]!.use).toEqual({ kind: 'left-out' });
  expect(read('')).toEqual({ columns: [], rows: [], doubts: [] });
  expect(read('\n\t\n').rows).toEqual([]);
});

describe('positions that are taken over', () => {
  const rows = [
    { name: ' 2 ', engaged: ['forward'] },
    { name: 'crawl / low', engaged: ['hold'] },
  ];
  test('added: those of a known name change what is engaged and keep their place and id', () => {
    const taken = replacePositions(train, rows, { replace: false });
    if (!taken.ok) throw new Error(taken.message);
    expect(taken.train.positions.map(({ id }) => id)).toEqual([...train.positions.map(({ id }) => id), 'crawl  low']);
    expect(taken.train.positions.find(({ id }) => id === '2')!.engaged).toEqual(['forward']);
  });
  test('replacing: only they stay', () => {
    const taken = replacePositions(train, rows, { replace: true });
    expect(taken.ok && taken.train.positions.map(({ id, name }) => [id, name])).toEqual([
      ['2', '2'],
      ['crawl  low', 'crawl / low'],
    ]);
  });
  test('a coupler that is not there is refused', () => {
    expect(replacePositions(train, [{ name: 'a', engaged: ['nothing'] }], { replace: false }).ok).toBe(false);
  });
});
