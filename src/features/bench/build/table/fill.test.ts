import { demoTrain } from '@/testing/demo-train';
import { ratio } from '@/testing/edited';
import { partsTable, type Column, type Section } from '@/core/parts-table';
import type { Train } from '@/core/train';
import { blockOf, draftSays, fillIn, type DraftRow } from './fill';
import { keepRows, NO_DRAFTS, recallRows } from './kept-rows';

const EMPTY: Train = {
  format: 'tin-wheel/train',
  version: 1,
  name: 'Winch',
  members: [
    { id: 'input', name: 'input' },
    { id: 'output', name: 'output' },
  ],
  gears: [],
  meshes: [],
  couplers: [],
  positions: [],
  input: 'input',
  outputs: ['output'],
};

const fill = (
  train: Train,
  drafts: readonly DraftRow[],
  [section, row, column]: readonly [Section, number, Column],
  text: string,
) => fillIn(train, drafts, { section, row, column, texts: blockOf(text) ?? [[text]] }, false);

test('a row that is typed cell by cell waits, and is a part once it is whole', () => {
  let filled = fill(EMPTY, [], ['pairs', 0, 'driver'], '20');
  expect(draftSays(EMPTY, 'pairs', filled.drafts[0]!)).toBe(
    'Waits for the driver’s member, the mate’s count, the mate’s member.',
  );
  for (const [column, text] of [
    ['driverOn', 'input'],
    ['mate', '50'],
    ['mateOn', 'output'],
  ] as const) {
    expect(filled.train).toBe(EMPTY);
    filled = fill(filled.train, filled.drafts, ['pairs', 0, column], text);
  }
  expect(filled.drafts).toEqual([]);
  expect(ratio(filled.train)).toBe('-5/2');
});

test('a block from a spreadsheet makes parts at once, over rows that are there and beyond', () => {
  const train = demoTrain('stirrer');
  const filled = fill(
    train,
    [],
    ['couplers', 1, 'name'],
    'Lock\tclutch\tsun\tcarrier\nBand\tbrake\tcarrier\tframe\tband\n',
  );
  expect(partsTable(filled.train).couplers.map(({ cells }) => [cells.name, cells.kind, cells.style])).toEqual([
    ['Hold', 'brake', ''],
    ['Lock', 'clutch', ''],
    ['Band', 'brake', 'band'],
  ]);
  expect(filled.messages).toEqual([]);
});

test('columns are found by their heads, and those that are not known are named', () => {
  const text = 'Mate is on\tDriver\tPrice\tDriver is on\tMate\noutput\t20\t3.50\tinput\t50';
  const filled = fill(EMPTY, [], ['pairs', 0, 'driver'], text);
  expect(ratio(filled.train)).toBe('-5/2');
  expect(filled.messages).toEqual(['Left out, for there is no such column: Price.']);
  const wide = fill(EMPTY, [], ['members', 0, 'role'], 'input\t4\t\t5\nx\ty\t\tz');
  expect(wide.messages[0]).toBe('Left out, for there is no such column: 1 beyond the last.');
});

test('what cannot be taken says so and stays: formulas, counts that are none, names that are not there', () => {
  const filled = fill(EMPTY, [], ['pairs', 0, 'driver'], '=A1*2\tinput\t50\toutput\n20\tinput\t50\toutput');
  expect(filled.train.gears).toHaveLength(2);
  expect(filled.drafts).toHaveLength(1);
  expect(draftSays(filled.train, 'pairs', filled.drafts[0]!)).toContain('“=A1*2” is not a tooth count');
  const brake = fill(filled.train, [], ['couplers', 0, 'name'], 'Hold\tbrake\toutptu');
  expect(draftSays(filled.train, 'couplers', brake.drafts[0]!)).toContain('Did you mean “output”?');
  expect(fill(filled.train, [], ['pairs', 0, 'mate'], '5o').messages).toEqual([
    '“5o” is not a tooth count, a whole number.',
  ]);
});

test('a cell that is emptied again leaves no row behind', () => {
  const typed = fill(EMPTY, [], ['sets', 0, 'sun'], '20');
  expect(fill(EMPTY, typed.drafts, ['sets', 0, 'sun'], ' ').drafts).toEqual([]);
});

test('texts of one cell are no block; cells in quotes lose them', () => {
  expect(blockOf('40')).toBeNull();
  expect(blockOf('"a ""b"""\tc\r\nd\te')).toEqual([
    ['a "b"', 'c'],
    ['d', 'e'],
  ]);
});

test('rows that wait are there after a reload; what is no row is passed over', () => {
  const kept = new Map<string, string>();
  Object.assign(globalThis, {
    localStorage: {
      getItem: (key: string) => kept.get(key) ?? null,
      setItem: (key: string, text: string) => void kept.set(key, text),
      removeItem: (key: string) => void kept.delete(key),
    },
  });
  const drafts = { ...NO_DRAFTS, sets: [{ cells: { sun: '20' } }] };
  keepRows('winch', drafts);
  expect(recallRows('winch')).toEqual(drafts);
  kept.set('tin-wheel-rows/winch', '{"sets": [{"cells": {"sun": 4}}, 5, null], "pairs": 3}');
  expect(recallRows('winch')).toEqual(NO_DRAFTS);
  keepRows('winch', NO_DRAFTS);
  expect(kept.size).toBe(0);
  Reflect.deleteProperty(globalThis, 'localStorage');
});
