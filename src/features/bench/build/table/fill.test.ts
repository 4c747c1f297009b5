import { demoTrain } from '@/testing/demo-train';
import { ratio } from '@/testing/edited';
import { partsTable, type Column, type Section } from '@/core/parts-table';
import type { Train } from '@/core/train';
import { blockOf, draftSays, fillIn } from './fill';
import { keepRows, NO_DRAFTS, recallRows, type Drafts } from './kept-rows';

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

const fill = (train: Train, drafts: Drafts, [section, row, column]: readonly [Section, number, Column], text: string) =>
  fillIn(train, drafts, { section, row, column, texts: blockOf(text) ?? [[text]] }, false);

test('a row that is typed cell by cell waits, and is a part once it is whole', () => {
  let filled = fill(EMPTY, NO_DRAFTS, ['pairs', 0, 'driver'], '20');
  expect(draftSays(EMPTY, 'pairs', filled.drafts.pairs[0]!)).toBe(
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
  expect(filled.drafts).toEqual(NO_DRAFTS);
  expect(ratio(filled.train)).toBe('-5/2');
});

test('a block from a spreadsheet makes parts at once, over rows that are there and beyond', () => {
  const train = demoTrain('stirrer');
  const filled = fill(
    train,
    NO_DRAFTS,
    ['couplers', 1, 'name'],
    'Lock\tclutch\tsun\tcarrier\nBand\tbrake\tcarrier\tframe\tband\n',
  );
  expect(partsTable(filled.train).couplers.map(({ cells }) => [cells.name, cells.kind, cells.style])).toEqual([
    ['Hold', 'brake', ''],
    ['Lock', 'clutch', ''],
    ['Band', 'brake', 'band'],
  ]);
  expect(filled).toMatchObject({ drafts: NO_DRAFTS, left: null, made: null });
});

test('columns are found by their heads, and those that are not known are named', () => {
  const text = 'Mate is on\tDriver\tPrice\tDriver is on\tMate\noutput\t20\t3.50\tinput\t50';
  const filled = fill(EMPTY, NO_DRAFTS, ['pairs', 0, 'driver'], text);
  expect(ratio(filled.train)).toBe('-5/2');
  expect(filled.left).toBe('Left out, for there is no such column: Price.');
  const wide = fill(EMPTY, NO_DRAFTS, ['members', 0, 'role'], 'input\t4\t\t5\nx\ty\t\tz');
  expect(wide.left).toBe('Left out, for there is no such column: 1 beyond the last.');
});

test('what cannot be taken says so and stays where it was typed: formulas, counts that are none', () => {
  const filled = fill(EMPTY, NO_DRAFTS, ['pairs', 0, 'driver'], '=A1*2\tinput\t50\toutput\n20\tinput\t50\toutput');
  expect(filled.train.gears).toHaveLength(2);
  expect(filled.drafts.pairs).toHaveLength(1);
  expect(draftSays(filled.train, 'pairs', filled.drafts.pairs[0]!)).toContain('“=A1*2” is not a tooth count');
  const slip = fill(filled.train, NO_DRAFTS, ['pairs', 0, 'mate'], '5o');
  expect(slip.drafts.pairs).toEqual([{ of: partsTable(filled.train).pairs[0]!.id, cells: { mate: '5o' } }]);
  expect(draftSays(slip.train, 'pairs', slip.drafts.pairs[0]!)).toBe('“5o” is not a tooth count, a whole number.');
  // Typed as it was, or rightly, nothing waits.
  for (const text of ['50', '51'])
    expect(fill(slip.train, slip.drafts, ['pairs', 0, 'mate'], text).drafts).toEqual(NO_DRAFTS);
});

test('what waits for another part is taken when that comes, in whatever table it is typed', () => {
  const geared = fill(EMPTY, NO_DRAFTS, ['pairs', 0, 'driver'], '20\tinput\t50\twheel').train;
  const named = fill(geared, NO_DRAFTS, ['positions', 0, 'name'], '1\tFirst\n2\tDirect');
  expect(named.drafts.positions.map((draft) => draftSays(geared, 'positions', draft))).toEqual([
    'No coupler is called “First”.',
    'No coupler is called “Direct”.',
  ]);
  const first = fill(named.train, named.drafts, ['couplers', 0, 'name'], 'First\tclutch\twheel\toutput');
  expect(first.train.positions.map(({ name }) => name)).toEqual(['1']);
  const direct = fill(first.train, first.drafts, ['couplers', 1, 'name'], 'Direct\tclutch\tinput\toutput');
  expect(direct.drafts).toEqual(NO_DRAFTS);
  expect(ratio(direct.train, ['First'])).toBe('-5/2');
  // So is a cell of a position that is there, unless its position is gone by then.
  const waits = fill(first.train, NO_DRAFTS, ['positions', 0, 'engaged'], 'Direct');
  expect(waits.drafts.positions).toEqual([{ of: first.train.positions[0]!.id, cells: { engaged: 'Direct' } }]);
  const came = fill(waits.train, waits.drafts, ['couplers', 1, 'name'], 'Direct\tclutch\tinput\toutput');
  expect(came.drafts).toEqual(NO_DRAFTS);
  expect(came.train.positions[0]!.engaged).toEqual([came.train.couplers[1]!.id]);
  const gone = fill({ ...waits.train, positions: [] }, waits.drafts, ['couplers', 0, 'style'], 'dog');
  expect(gone.drafts).toEqual(NO_DRAFTS);
});

test('a coupler that names a new member makes it and says so; an input or output that nothing stood on goes', () => {
  const geared = fill(EMPTY, NO_DRAFTS, ['pairs', 0, 'driver'], '20\tinput shaft\t50\tfirst gear').train;
  const joined = fill(geared, NO_DRAFTS, ['couplers', 0, 'name'], 'First\tclutch\tfirst gear\toutput shaft\tdog');
  expect(joined.made).toBe('“output shaft” is a new member. If “input shaft” was meant, type that.');
  const row = (train: Train, name: string) => train.members.findIndex((member) => member.name === name);
  const driven = fill(joined.train, NO_DRAFTS, ['members', row(joined.train, 'input shaft'), 'role'], 'input').train;
  const whole = fill(driven, NO_DRAFTS, ['members', row(driven, 'output shaft'), 'role'], 'output').train;
  expect(whole.members.map(({ name }) => name)).toEqual(['input shaft', 'first gear', 'output shaft']);
  expect(ratio(whole, ['First'])).toBe('-5/2');
  const moved = fill(whole, NO_DRAFTS, ['couplers', 0, 'a'], 'input shaft');
  expect(moved.train.couplers[0]).toMatchObject({ joins: [whole.input, whole.outputs[0]] });
});

test('a cell that is emptied again leaves no row behind', () => {
  const typed = fill(EMPTY, NO_DRAFTS, ['sets', 0, 'sun'], '20');
  expect(fill(EMPTY, typed.drafts, ['sets', 0, 'sun'], ' ').drafts).toEqual(NO_DRAFTS);
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
  const drafts = { ...NO_DRAFTS, sets: [{ cells: { sun: '20' } }, { of: 'set 1', cells: { ring: '6o' } }] };
  keepRows('winch', drafts);
  expect(recallRows('winch')).toEqual(drafts);
  kept.set('tin-wheel-rows/winch', '{"sets": [{"cells": {"sun": 4}}, 5, null], "pairs": 3}');
  expect(recallRows('winch')).toEqual(NO_DRAFTS);
  keepRows('winch', NO_DRAFTS);
  expect(kept.size).toBe(0);
  Reflect.deleteProperty(globalThis, 'localStorage');
});
