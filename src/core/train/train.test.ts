import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import { demoTrain as load } from '@/testing/demo-train';
import { axesOf, checkTrain, parseTrain, problemText, readTeeth, renameTrain, serialiseTrain, setTeeth } from '.';

/** The first complaint about a train with something changed in it. */
function complaint(name: string, change: (train: ReturnType<typeof structuredClone>) => void): string {
  const train = structuredClone(load(name));
  change(train);
  const checked = checkTrain(train);
  return checked.ok ? 'accepted' : problemText(checked.problems[0]!);
}

/* eslint-disable @typescript-eslint/no-explicit-any -- broken documents are made on purpose, against their types */
describe('a document that does not hold is refused with its place and a sentence', () => {
  test.each<[string, string, (train: any) => void, string]>([
    ['unknown key', 'stirrer', (t) => (t.gears[0].colour = 'red'), 'gears[0]: "colour" is not a known key here.'],
    ['unknown key on top', 'stirrer', (t) => (t.extra = 1), 'train: "extra" is not a known key here.'],
    ['wrong format', 'stirrer', (t) => (t.format = 'other'), 'format: The format must be "tin-wheel/train".'],
    ['wrong version', 'stirrer', (t) => (t.version = 2), 'version: The version must be 1.'],
    ['no name', 'stirrer', (t) => (t.name = ''), 'name: Give the train a name.'],
    [
      'duplicate member',
      'stirrer',
      (t) => (t.members[1].id = 'sun'),
      'members[1].id: The id "sun" is already used in members.',
    ],
    ['duplicate gear', 'stirrer', (t) => (t.gears[1].id = 's1'), 'gears[1].id: The id "s1" is already used in gears.'],
    [
      'listed frame',
      'stirrer',
      (t) => (t.members[1].id = 'frame'),
      'members[1].id: The frame always exists and is never listed.',
    ],
    ['dangling member', 'stirrer', (t) => (t.gears[0].member = 'moon'), 'gears[0].member: There is no member "moon".'],
    [
      'dangling gear',
      'stirrer',
      (t) => (t.meshes[0].gears[1] = 'moon'),
      'meshes[0].gears[1]: There is no gear "moon".',
    ],
    [
      'dangling carrier',
      'stirrer',
      (t) => (t.members[3].carrier = 'moon'),
      'members[3].carrier: There is no member "moon" to carry it.',
    ],
    [
      'dangling coupler',
      'stirrer',
      (t) => t.positions[0].engaged.push('moon'),
      'positions[0].engaged[1]: There is no coupler "moon".',
    ],
    [
      'dangling joint',
      'stirrer',
      (t) => (t.couplers[1].joins[0] = 'moon'),
      'couplers[1].joins[0]: There is no member "moon".',
    ],
    ['dangling input', 'stirrer', (t) => (t.input = 'moon'), 'input: There is no member "moon" to be the input.'],
    [
      'dangling output',
      'stirrer',
      (t) => (t.outputs = ['moon']),
      'outputs[0]: There is no member "moon" to be an output.',
    ],
    [
      'output that is the input',
      'stirrer',
      (t) => (t.outputs = ['sun']),
      'outputs[0]: The output cannot be the input as well.',
    ],
    ['no output', 'stirrer', (t) => (t.outputs = []), 'outputs: Name at least one output.'],
    [
      'gear with itself',
      'stirrer',
      (t) => (t.meshes[0].gears = ['s1', 's1']),
      'meshes[0].gears: A gear cannot mesh with itself.',
    ],
    [
      'two internal gears',
      'stirrer',
      (t) => (t.gears[0].type = 'internal') && (t.gears[1].type = 'internal'),
      'meshes[0].gears: Two internal gears cannot mesh.',
    ],
    [
      'pair meshed twice',
      'stirrer',
      (t) => (t.meshes[1].gears = ['pg1', 's1']),
      'meshes[1].gears: "pg1" and "s1" mesh already.',
    ],
    [
      'gear on two roles',
      'stirrer',
      (t) => (t.gears[2].member = 'arm'),
      'meshes[1].gears: A planet cannot mesh with a gear on its own carrier: that gear would have two roles.',
    ],
    [
      'same member',
      'stirrer',
      (t) => (t.gears[0].member = 'p1'),
      'meshes[0].gears: "s1" and "pg1" are fixed to the same member, so they cannot mesh.',
    ],
    [
      'planets of different carriers',
      'harvester',
      (t) => (t.meshes[0].gears = ['pg1', 'pg2']),
      'meshes[0].gears: These gears are carried by different carriers, so they cannot stay in mesh.',
    ],
    [
      'carries itself',
      'stirrer',
      (t) => (t.members[3].carrier = 'p1'),
      'members[3].carrier: A member cannot carry itself.',
    ],
    [
      'carriers in a loop',
      'stirrer',
      (t) => (t.members[2].carrier = 'p1'),
      'members[2].carrier: The carriers go round in a loop.',
    ],
    [
      'copies without a carrier',
      'stirrer',
      (t) => (t.members[0].copies = 3),
      'members[0].copies: Only a planet, a member with a carrier, has copies.',
    ],
    [
      'half a tooth',
      'stirrer',
      (t) => (t.gears[0].teeth = 2.5),
      'gears[0].teeth: A tooth count must be a whole number.',
    ],
    ['no teeth', 'stirrer', (t) => (t.gears[0].teeth = 0), 'gears[0].teeth: A tooth count must be at least 1.'],
    [
      'too many teeth',
      'stirrer',
      (t) => (t.gears[0].teeth = 100_001),
      'gears[0].teeth: A tooth count can be at most 100 000.',
    ],
    [
      'teeth as text',
      'stirrer',
      (t) => (t.gears[0].teeth = '24'),
      'gears[0].teeth: A tooth count must be a whole number.',
    ],
    [
      'bevel without a sense',
      'wagon-axle',
      (t) => delete t.meshes[1].sense,
      'meshes[1].sense: A bevel or worm mesh must say whether its gears turn the same way or opposite.',
    ],
    [
      'self-locking without a worm',
      'stirrer',
      (t) => (t.meshes[0].selfLocking = true),
      'meshes[0].selfLocking: Only a worm mesh locks itself, and the worm is named first.',
    ],
    [
      'brake between members',
      'stirrer',
      (t) => (t.couplers[0].joins = ['ring', 'sun']),
      'couplers[0].joins: A brake joins a member to the frame.',
    ],
    [
      'efficiency above one',
      'stirrer',
      (t) => (t.meshes[0].efficiency = 1.2),
      'meshes[0].efficiency: An efficiency can be at most 1.',
    ],
    [
      'permanent one-way clutch engaged',
      'crawler',
      (t) => t.positions[0].engaged.push('F1'),
      'positions[0].engaged[1]: "F1" is a one-way clutch that is always on; only a selectable one is engaged.',
    ],
    [
      'chain onto a gear',
      'stirrer',
      (t) => (t.gears[0].type = 'sprocket'),
      'meshes[0].gears: A sprocket runs with a sprocket and a pulley with a pulley.',
    ],
    [
      'mesh slid twice',
      'pan-rake',
      (t) => (t.couplers[5].mesh = 'm5'),
      'couplers[5].mesh: The mesh "m5" is already worked by "idler-a".',
    ],
  ])('%s', (_, name, change, message) => expect(complaint(name, change)).toBe(message));
});
/* eslint-enable @typescript-eslint/no-explicit-any */

describe('names show something', () => {
  const named = (name: string) => checkTrain({ ...load('stirrer'), name });
  test.each(['   ', '\u200b', '\u00a0\u3000', '\u202e\u2066', '\u3164', '\u0301', ''])('%j is refused', (name) =>
    expect(named(name).ok).toBe(false),
  );
  test.each(['x', ' x ', '塩', 'Ж', '½', '🧂', '-'])('%j is taken', (name) => expect(named(name).ok).toBe(true));
  test('of a part too, but a part may go without', () => {
    const train = load('stirrer');
    const part = (name: string) =>
      checkTrain({ ...train, members: train.members.map((member, i) => (i === 0 ? { ...member, name } : member)) });
    expect([part('').ok, part('\u2009').ok]).toEqual([true, false]);
    expect(checkTrain({ ...train, name: ' ' }, { kept: true }).ok).toBe(true);
  });
});

describe('hostile documents are refused quickly and cleanly', () => {
  const text = (name: string) => readFileSync(join(__dirname, `../../../demo/trains/${name}.train.json`), 'utf8');
  const first = (document: string) => {
    const parsed = parseTrain(document);
    return parsed.ok ? 'accepted' : problemText(parsed.problems[0]!);
  };

  test('deep nesting', () =>
    expect(first(`${'['.repeat(100_000)}${']'.repeat(100_000)}`)).toMatch(/^(train|name|format): /));
  test('nesting inside a field', () =>
    expect(first(text('stirrer').replace('"Stirrer planetary"', `${'['.repeat(50_000)}${']'.repeat(50_000)}`))).toMatch(
      /^name: Give a name, as text/,
    ));
  test('__proto__ as an id', () =>
    expect(first(text('stirrer').replaceAll('"sun"', '"__proto__"'))).toMatch(
      /^members\[0\]\.id: An id starts with a letter or a digit/,
    ));
  test('__proto__ as a key', () => expect(first('{"__proto__": {"format": "tin-wheel/train"}}')).toMatch(/^format: /));
  test('10^30 teeth', () =>
    expect(first(text('stirrer').replace('"teeth": 72', '"teeth": 1e30'))).toMatch(
      /^gears\[2\]\.teeth: A tooth count/,
    ));
  test('100 000 couplers', () => {
    const train = { ...load('stirrer'), couplers: Array.from({ length: 100_000 }, (_, i) => ({ id: `c${i}` })) };
    const checked = checkTrain(train);
    expect(checked.ok ? '' : problemText(checked.problems[0]!)).toBe(
      'couplers: 100000 entries are more than any list of a train may have (1200).',
    );
  });
  test('one coupler over the limit', () => {
    const train = {
      ...load('stirrer'),
      couplers: Array.from({ length: 65 }, (_, i) => ({
        id: `c${i}`,
        name: '',
        type: 'clutch',
        joins: ['sun', 'arm'],
      })),
    };
    const checked = checkTrain(train);
    expect(checked.ok ? '' : problemText(checked.problems[0]!)).toBe('couplers: At most 64 couplers are allowed.');
  });
  test('a file that is no JSON, no object, or far too large', () => {
    expect(first('{"name": ')).toMatch(/^train: This is not JSON/);
    expect(first('null')).toBe('train: A train must be a JSON object.');
    expect(first(' '.repeat(2_000_001))).toBe('train: The file is larger than 2 MB.');
  });
  test('a complaint is always one line', () =>
    expect(problemText({ path: ['name'], message: 'a\nb\u2028c' })).toBe('name: a b c'));
});

describe('axes', () => {
  test('parallel shafts are separate axes; what couplers and planets join is one', () => {
    expect(axesOf(load('sluice-winch')).map((axis) => axis.members)).toEqual([['crank'], ['idler'], ['lay'], ['drum']]);
    expect(axesOf(load('pan-rake')).map((axis) => axis.members)).toEqual([
      ['in', 'out', 'w1', 'w2', 'w3'],
      ['lay'],
      ['idler'],
    ]);
    expect(axesOf(load('stirrer'))).toEqual([
      { members: ['sun', 'ring', 'arm'], arm: 'frame' },
      { members: ['p1'], arm: 'arm' },
    ]);
  });
});

describe('edits', () => {
  test('give a new document and leave the old one alone', () => {
    const train = load('sluice-winch');
    const before = serialiseTrain(train);
    const edit = setTeeth(train, 'l', 60);
    expect(edit.ok && edit.train.gears.find((gear) => gear.id === 'l')?.teeth).toBe(60);
    expect(serialiseTrain(train)).toBe(before);
  });

  test('say why they cannot be done', () => {
    const train = load('sluice-winch');
    expect(setTeeth(train, 'nowhere', 60)).toEqual({ ok: false, message: 'There is no gear "nowhere".' });
    expect(setTeeth(train, 'l', 0)).toEqual({ ok: false, message: 'A tooth count must be at least 1.' });
    expect(renameTrain(train, '   ')).toEqual({ ok: false, message: 'Give the train a name.' });
  });

  test.each([
    ['21', 21],
    [' 21 ', 21],
    ['1', 1],
    ['100000', 100_000],
    ['2e1', 20],
  ])('typing %p is %p teeth', (text, teeth) => expect(readTeeth(text)).toEqual({ ok: true, teeth }));
  test.each(['0', '-3', '2.5', 'abc', '', '1000000000', '0x10', '12 13', 'Infinity'])(
    'typing %p is no tooth count',
    (text) => {
      const read = readTeeth(text);
      expect(!read.ok && read.message).toMatch(/whole number from 1 to 100 000/);
    },
  );
});

test('every kind of wrong value is explained in words of the format, nowhere by the library', () => {
  const winch = JSON.parse(serialiseTrain(load('sluice-winch'))) as Record<string, unknown>;
  const wrong: unknown[] = [5, 'text', null, [], {}, true];
  const paths = [
    [],
    ['name'],
    ['members'],
    ['members', 0],
    ['gears', 0, 'teeth'],
    ['couplers'],
    ['meshes', 0, 'gears'],
    ['meshes', 0, 'gears', 0],
    ['positions', 0, 'engaged'],
    ['outputs'],
    ['input'],
    ['notes'],
    ['tipSpeedLimits'],
    ['setAside'],
  ];
  for (const path of paths)
    for (const value of wrong) {
      const parsed = checkTrain(path.length === 0 ? value : replaced(winch, path, value));
      for (const { message } of parsed.ok ? [] : parsed.problems) {
        expect(message).not.toMatch(/invalid|undefined|received|expected/i);
        expect(message).toMatch(/\.$|@|:/);
      }
    }
});

const replaced = (value: unknown, [step, ...rest]: readonly (string | number)[], by: unknown): unknown => {
  if (step === undefined) return by;
  if (Array.isArray(value)) return value.map((item: unknown, i) => (i === step ? replaced(item, rest, by) : item));
  const object = value as Record<string, unknown>;
  return { ...object, [step]: replaced(object[step], rest, by) };
};
