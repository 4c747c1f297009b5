import fc from 'fast-check';
import { arbitraryTrain } from '@/testing/arbitrary-train';
import { demoTrain, demoTrains, withoutSizes } from '@/testing/demo-train';
import { done, ratio, refusal } from '@/testing/edited';
import { runs } from '@/testing/runs';
import { chartOf } from '../gear-chart';
import { toFraction } from '../rational';
import { checkTrain, partsById, type Train } from '../train';
import {
  addRow,
  addWrittenPosition,
  COLUMNS,
  editCell,
  moveRow,
  partsTable,
  removeRows,
  type Cells,
  type Section,
} from '.';

/** A train with nothing but where power comes in and goes out. */
function emptyLike({ name, members, input, outputs }: Train): Train {
  return {
    format: 'tin-wheel/train',
    version: 1,
    name,
    members: members.flatMap(({ id, name: own }) => (id === input || outputs.includes(id) ? [{ id, name: own }] : [])),
    gears: [],
    meshes: [],
    couplers: [],
    positions: [],
    input,
    outputs,
  };
}

/** Fills a row in, which has to be whole. */
function added(train: Train, section: Section, cells: Cells): Train {
  const row = addRow(train, section, cells);
  if (row.kind !== 'whole') throw new Error(`${section} ${JSON.stringify(cells)}: ${JSON.stringify(row)}`);
  return row.train;
}

const ratios = (train: Train) =>
  chartOf(train).rows.map(({ id, solved }) => [
    partsById(train).position(id).name,
    solved.ratio && toFraction(solved.ratio),
    solved.status,
  ]);

/** The same train made anew, row by row, as somebody would type its table into an empty one. */
function typedAnew(train: Train): Train {
  const table = partsTable(train);
  const order = ['members', 'sets', 'pairs', 'couplers', 'positions'] as const;
  let made = emptyLike(train);
  for (const section of order)
    for (const { cells } of table[section]) {
      // What gears are on is made by their rows; a shaft without any is listed.
      const bare = section === 'members' && (cells.role !== '' || !['stub shaft'].includes(cells.name ?? ''));
      if (!bare) made = added(made, section, cells);
    }
  return made;
}

test.each([
  'harvester',
  'mud-tram',
  'stirrer',
  'barrow-box',
  'cart-sleeve',
  'sluice-winch',
  'lantern-pair',
  'tide-dial',
])('the %s comes out of its own table, typed into an empty train, with every ratio', (name) => {
  const train = demoTrain(name);
  expect(ratios(typedAnew(train))).toEqual(ratios(train));
});

test('every cell that is given again as it stands changes nothing', () => {
  for (const train of demoTrains()) {
    const table = partsTable(train);
    for (const section of Object.keys(COLUMNS) as Section[])
      for (const { id, cells } of table[section])
        for (const column of COLUMNS[section]) {
          // What a sliding mesh joins is told, not changed, here.
          if (cells.kind === 'slide' && column !== 'name' && column !== 'style') continue;
          if (cells[column] === undefined) continue;
          const edit = editCell(train, section, id, column, cells[column]);
          expect([section, column, edit.ok && edit.train]).toEqual([section, column, train]);
        }
  }
});

describe('a set', () => {
  const train = demoTrain('harvester');
  const set = partsTable(train).sets[0]!;
  const edit = (column: Parameters<typeof editCell>[3], text: string, keepSets = false) =>
    editCell(train, 'sets', set.id, column, text, { keepSets });

  test('takes counts, alone or with those of the set', () => {
    expect(partsTable(done(edit('sun', '42'))).sets[0]?.cells).toMatchObject({ sun: '42', planet: '20', ring: '80' });
    const kept = partsTable(done(edit('sun', '42', true))).sets[0]!.cells;
    expect(Number(kept.ring)).toBe(42 + 2 * Number(kept.planet));
    expect(refusal(edit('sun', '4o'))).toBe('“4o” is not a tooth count, a whole number.');
    expect(refusal(edit('sun', '40/30'))).toBe('“40/30” is not a tooth count.');
  });

  test('a name that is there joins, another makes a member, and what is left with nothing goes', () => {
    const joined = done(edit('ringOn', 'wheel carrier'));
    expect(partsTable(joined).sets[0]?.cells.ringOn).toBe('wheel carrier');
    // Its brake is still on it.
    expect(joined.members).toHaveLength(train.members.length);
    const fresh = done(edit('sunOn', 'own sun'));
    expect(fresh.members.at(-1)?.name).toBe('own sun');
    const back = done(editCell(fresh, 'sets', set.id, 'sunOn', 'double sun'));
    expect(back.members).toEqual(train.members);
    expect(done(edit('ringOn', 'frame')).gears.find(({ id }) => id === 'r1')?.member).toBe('frame');
  });

  test('says what carries its planets, how many they are and what they are called', () => {
    const carried = done(edit('carrier', 'drive drum'));
    expect(carried.members.find(({ id }) => id === 'p1')?.carrier).toBe('r3s4');
    expect(done(edit('copies', '5')).members.find(({ id }) => id === 'p1')?.copies).toBe(5);
    expect(partsTable(done(edit('planetOn', 'first planet'))).sets[0]?.cells.planetOn).toBe('first planet');
  });
});

test('a differential is a set of bevel gears, and a colour is six digits', () => {
  const empty = emptyLike(demoTrain('stirrer'));
  const axle = added(empty, 'sets', {
    kind: 'bevel',
    sun: '16',
    sunOn: 'left',
    planet: '10',
    ring: '16',
    ringOn: 'right',
    carrier: 'sun',
  });
  expect(axle.meshes.map(({ sense }) => sense)).toEqual(['opposite', 'same']);
  expect(partsTable(axle).sets[0]?.cells).toMatchObject({ kind: 'bevel', sun: '16', planet: '10', ring: '16' });
  const [first] = partsTable(axle).members;
  expect(done(editCell(axle, 'members', first!.id, 'color', '#12AB9f')).members[0]?.color).toBe('#12AB9f');
  expect(refusal(editCell(axle, 'members', first!.id, 'color', 'red'))).toContain('six digits');
});

test('a position is written in one line', () => {
  const train = demoTrain('harvester');
  const added = addWrittenPosition(train, '9 = sun brake + Link+DRIVE');
  expect(added.kind === 'whole' && added.train.positions.at(-1)).toMatchObject({ name: '9', engaged: ['A', 'E', 'C'] });
  expect(addWrittenPosition(train, 'P:')).toMatchObject({ kind: 'whole' });
  expect(addWrittenPosition(train, 'Drive')).toMatchObject({ kind: 'wrong' });
  expect(addWrittenPosition(train, '9 = lnik')).toMatchObject({
    message: 'No coupler is called “lnik”. Did you mean “Link”?',
  });
});

test('a row that is not whole says what it lacks; one that is wrong says why', () => {
  const train = demoTrain('stirrer');
  expect(addRow(train, 'sets', { sun: '20' })).toEqual({
    kind: 'lacks',
    what: ['the sun’s member', 'the planets’ count', 'its carrier'],
  });
  expect(addRow(train, 'pairs', { driver: '20', driverOn: 'sun', mate: '30' })).toEqual({
    kind: 'lacks',
    what: ['the mate’s member'],
  });
  expect(addRow(train, 'couplers', { name: 'X', a: 'ring', kind: 'brake', style: 'dig' })).toMatchObject({
    kind: 'wrong',
    message: expect.stringContaining('Did you mean “dog”?') as string,
  });
  // A name that is not there makes a member, as in every other table.
  expect(addRow(train, 'couplers', { name: 'X', a: 'drum', kind: 'brake' })).toMatchObject({
    kind: 'whole',
    train: { members: [...train.members, { name: 'drum' }] },
  });
  const odd = { sun: '21', sunOn: 'a', ring: '60', ringOn: 'b', carrier: 'c' };
  expect(addRow(train, 'sets', odd)).toMatchObject({ message: expect.stringContaining('is odd') as string });
});

test('a planet’s count may be left out, and an idler is one gear in two rows', () => {
  const empty = emptyLike(demoTrain('stirrer'));
  const set = added(empty, 'sets', {
    sun: '24',
    sunOn: 'sun',
    ring: '72',
    ringOn: 'ring',
    carrier: 'carrier',
    copies: '3',
  });
  expect(partsTable(set).sets[0]?.cells).toMatchObject({ planet: '24', copies: '3' });
  const box = [
    { driver: '14', driverOn: 'sun', mate: '21', mateOn: 'idler' },
    { driver: '21', driverOn: 'idler', mate: '37', mateOn: 'carrier' },
  ].reduce((train, cells) => added(train, 'pairs', cells), empty);
  expect(box.gears).toHaveLength(3);
  expect(ratio(box)).toBe('37/14');
});

test('a row is moved among its kind, and nothing else changes', () => {
  for (const train of demoTrains())
    for (const section of Object.keys(COLUMNS) as Section[]) {
      if (section === 'wheels') continue;
      const ids = (of: Train) => partsTable(of)[section].map(({ cells }) => JSON.stringify(cells));
      const [first, second] = partsTable(train)[section];
      if (!first || !second) continue;
      const moved = done(moveRow(train, section, first.id, 1));
      // Rows on one stepped planet may be grouped otherwise when they change places.
      if (ids(moved).length !== ids(train).length || ids(moved).some((row) => !ids(train).includes(row))) continue;
      expect(ids(moved).slice(0, 2)).toEqual(ids(train).slice(0, 2).reverse());
      expect(ids(done(moveRow(moved, section, second.id, 1)))).toEqual(ids(train));
      expect(done(moveRow(train, section, first.id, -3))).toEqual(train);
      expect(ratios(moved).sort()).toEqual(ratios(train).sort());
    }
});

test('rows go with what cannot stand without them, and nothing else', () => {
  const train = demoTrain('harvester');
  const [first] = partsTable(train).sets;
  const left = done(removeRows(train, 'sets', [first!.id]));
  expect(left.gears.map(({ id }) => id)).toEqual(train.gears.slice(3).map(({ id }) => id));
  expect(left.members.map(({ name }) => name)).not.toContain('front planet');
  expect(left.couplers).toHaveLength(5);
  const rake = demoTrain('pan-rake');
  const rows = partsTable(rake).pairs;
  const idler = rows.find(({ cells }) => cells.mateOn === 'reverse idler')!;
  const without = done(removeRows(rake, 'pairs', [idler.id]));
  expect(partsTable(without).pairs).toHaveLength(rows.length - 1);
  expect(without.gears.map(({ id }) => id)).toContain('rb');
  for (const demo of demoTrains())
    for (const section of Object.keys(COLUMNS) as Section[])
      for (const { id } of partsTable(demo)[section]) {
        const edit = removeRows(demo, section, [id]);
        if (edit.ok) expect(partsTable(edit.train)[section].some((row) => row.id === id)).toBe(false);
      }
});

test('whatever is typed into whatever cell, the train holds or stays', () => {
  const sections = Object.keys(COLUMNS) as Section[];
  const typed = fc.constantFrom(
    '12',
    '0',
    '-4',
    '1e9',
    '18/36',
    'frame',
    'member 1',
    'new one',
    '',
    'brake',
    'input',
    '=1+1',
    'k0 + k1',
    'חול',
  );
  fc.assert(
    fc.property(
      arbitraryTrain({ oneWays: true, outputs: true, worms: true }),
      fc.array(fc.tuple(fc.constantFrom(...sections), fc.nat(20), fc.nat(7), typed), { minLength: 1, maxLength: 12 }),
      (train, edits) => {
        let now = train;
        for (const [section, row, column, text] of edits) {
          const rows = partsTable(now)[section];
          const at = rows[row % Math.max(1, rows.length)];
          const columns = COLUMNS[section];
          if (!at) continue;
          const edit = editCell(now, section, at.id, columns[column % columns.length]!, text);
          if (edit.ok) now = edit.train;
          else expect(edit.message).toMatch(/[.?]$/);
          expect(checkTrain(now).ok).toBe(true);
        }
      },
    ),
    { numRuns: runs(400) },
  );
});

test('wheels get their sizes in rows of their own; they come and go with their sets and pairs', () => {
  let train = withoutSizes(demoTrain('stirrer'));
  const [sun] = partsTable(train).wheels;
  const typed = { module: '2', width: '1 in', material: 'steel', shift: '−0.25', helix: '20', bore: '8', station: '3' };
  for (const [column, text] of Object.entries(typed) as [keyof typeof typed, string][])
    train = done(editCell(train, 'wheels', sun!.id, column, text));
  expect(train.gears[0]).toMatchObject({
    module: 2,
    faceWidth: 25.4,
    material: 'steel',
    shift: -0.25,
    helix: 20,
    bore: 8,
    station: 3,
  });
  expect(partsTable(train).wheels[0]!.cells).toMatchObject({ ...typed, width: '25.4', shift: '-0.25' });
  for (const column of Object.keys(typed) as (keyof typeof typed)[])
    train = done(editCell(train, 'wheels', sun!.id, column, ''));
  expect(train).toEqual(withoutSizes(demoTrain('stirrer')));
  expect(refusal(editCell(train, 'wheels', sun!.id, 'shift', '9'))).toContain('from −2 to 2 modules');
  expect(refusal(editCell(train, 'wheels', sun!.id, 'material', 'cheese'))).toContain('steel, cast iron');
  expect(refusal(editCell(train, 'wheels', sun!.id, 'wheel', '21 on sun'))).toContain('sets and pairs');
  expect(refusal(moveRow(train, 'wheels', sun!.id, 1))).toContain('sets and pairs');
  expect(refusal(removeRows(train, 'wheels', [sun!.id]))).toContain('set or pair');
  expect(addRow(train, 'wheels', { module: '2' })).toMatchObject({ kind: 'wrong' });
});
