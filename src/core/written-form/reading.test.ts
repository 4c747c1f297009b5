import { ratio } from '@/testing/edited';
import { withCountedIds } from '@/testing/renamed';
import { checkTrain, type Train } from '../train';
import { readWritten } from '.';

const STIRRER = `
train Pan stirrer
input sun shaft
output carrier
set: sun 20 on sun shaft, planet 20 x3, ring 60 on ring, carrier on carrier
brake Hold: ring
clutch Lock-up: sun shaft with carrier
position slow: Hold
position direct: Lock-up
`;

function read(text: string): Train {
  const { train, problems } = readWritten(text);
  if (!train) throw new Error(problems.map(({ message }) => message).join('\n'));
  return train;
}

/** "line:column message" of everything that is wrong. */
const wrong = (text: string): string[] =>
  readWritten(text).problems.map(({ place, message }) => `${place.line}:${place.column} ${message}`);

/** The same as the stirrer with another line in place of one. */
const stirrerWith = (line: number, text: string): string =>
  STIRRER.split('\n')
    .map((was, i) => (i + 1 === line ? text : was))
    .join('\n');

test('a set in a few lines turns as it should', () => {
  const train = read(STIRRER);
  expect(ratio(train, ['Hold'])).toBe('4');
  expect(train.members.map(({ name }) => name)).toEqual(['sun shaft', 'planet', 'ring', 'carrier']);
  expect(train.positions.map(({ id }) => id)).toEqual(['slow', 'direct']);
});

test('a shaft without gears by which power goes out is there where a coupler joins it', () => {
  const box = (output: string) => `
    input input shaft
    output ${output}
    pair: 19 on input shaft drives 35 on first gear
    clutch First: first gear with output shaft, dog
    position 1: First
  `;
  const train = read(box('output shaft'));
  expect(train.members.map(({ name }) => name)).toEqual(['input shaft', 'first gear', 'output shaft']);
  expect(ratio(train, ['First'])).toBe('-35/19');
  expect(withCountedIds(read(`${box('output shaft')}\nmember output shaft`))).toEqual(withCountedIds(train));
  // A name that stands at one place only may be a slip: it makes no member.
  expect(wrong(box('ouput shaft'))).toEqual([
    expect.stringMatching(/^3:12 No member is called “ouput shaft”/),
    expect.stringMatching(/^5:35 No member is called “output shaft”/),
  ]);
});

test('statements stand in any order, with remarks, blank lines and any line ends', () => {
  const lines = STIRRER.trim().split('\n');
  const turned = ['# a remark', '', ...[...lines].reverse().map((line) => `  ${line}  # so`)].join('\r\n');
  const [a, b] = [read(STIRRER), read(turned)];
  expect(ratio(b, ['Hold'])).toBe('4');
  expect(b.positions.map(({ name }) => name)).toEqual(a.positions.map(({ name }) => name).reverse());
});

test('what follows from the rest may be left out', () => {
  const same = withCountedIds(read(STIRRER));
  const setWith = (text: string) => withCountedIds(read(stirrerWith(5, `set: ${text}`)));
  expect(setWith('sun 20 on sun shaft, planet x3, ring 60 on ring, carrier on carrier')).toEqual(same);
  expect(setWith('sun 20 on sun shaft, ring 60 on ring, planets 20 x3, carrier carrier')).toMatchObject({
    gears: [{ teeth: 20 }, { teeth: 20 }, { teeth: 60 }],
    meshes: [{ gears: ['gear0', 'gear1'] }, { gears: ['gear1', 'gear2'] }],
  });
  expect(setWith('sun 20 on sun shaft, ring 60 on ring, carrier on carrier').gears.map(({ teeth }) => teeth)).toEqual([
    20, 20, 60,
  ]);
});

test('the words of other schools are understood', () => {
  const text = STIRRER.replace('ring 60', 'annulus 60').replace('carrier on', 'arm on');
  expect(read(text)).toEqual(read(STIRRER));
  for (const word of ['one-way', 'one-way clutch', 'roller', 'freewheel', 'sprag'])
    expect(read(`${STIRRER}${word} Back: frame pushes carrier`).couplers.at(-1)).toEqual({
      id: 'Back',
      name: 'Back',
      type: 'one-way',
      joins: ['frame', 'carrier'],
    });
  expect(read(stirrerWith(8, 'position slow = Hold')).positions).toEqual(read(STIRRER).positions);
  expect(read(`${STIRRER}position both: Hold + Lock-up`).positions.at(-1)?.engaged).toEqual(['Hold', 'Lock-up']);
});

test('every kind of pair, with what is said of it', () => {
  const train = read(
    `
    train Odd box
    input motor
    output drum
    pair: 19 on motor drives 32 on countershaft, module 2, width 8, efficiency 97%
    pair Back: 14 on countershaft drives 21 on idler drives ring 60 on drum
    belt: 60 on motor with 64 on pulley shaft
    chain: 20 on motor with 30 on chain shaft
    worm: 1 on motor drives 30 on gear shaft, self-locking, back efficiency 0.3
    bevel: 20 on gear shaft (steel, station 2) drives 20 on cross shaft, same way
    pair: same no 1 on countershaft drives 40 inside on shell, same way
    member alone, limit 2.5 N·m, colour 1a2b3c
    brake Stop: frame with alone, band, capacity 4 Nm
    tip speed: steel 20 m/s
    note: Two lines
    note "# of notes"
    efficiency 0.99`.replace('pair Back:', 'pair:'),
  );
  expect(train.meshes.map(({ gears }) => gears)).toHaveLength(8);
  expect(train.meshes[0]).toMatchObject({ efficiency: 0.97 });
  expect(train.gears.slice(0, 2)).toMatchObject([
    { teeth: 19, module: 2, faceWidth: 8 },
    { teeth: 32, module: 2, faceWidth: 8 },
  ]);
  expect(train.gears.map(({ type }) => type)).toEqual([
    ...['external', 'external', 'external', 'external', 'internal', 'pulley', 'pulley', 'sprocket', 'sprocket'],
    ...['worm', 'external', 'bevel', 'bevel', 'internal'],
  ]);
  expect(train.meshes.at(-3)).toMatchObject({ sense: 'opposite', selfLocking: true, backEfficiency: 0.3 });
  expect(train.meshes.at(-1)?.gears[0]).toBe(train.meshes[0]?.gears[1]);
  expect(train.members.at(-1)).toEqual({ id: 'alone', name: 'alone', limit: 2.5, color: '#1a2b3c' });
  expect(train).toMatchObject({ notes: 'Two lines\n# of notes', efficiency: 0.99, tipSpeedLimits: { steel: 20 } });
});

test('a pair that slides is named, or told by its gears', () => {
  const box = (slide: string, label = '') =>
    read(`train Box\ninput a\noutput c\npair: 20 on a drives 40 on b\npair${label}: 30 on b drives 30 on c\n${slide}`)
      .couplers;
  const [byName] = box('slide In: pair Last', ' Last');
  expect(box('slide In: pair c')).toEqual([byName]);
  expect(box('slide In: 30 on b with 30 on c')).toEqual([byName]);
  expect(box('sliding mesh In: same no 2 on b drives same on c')).toEqual([byName]);
});

test('a name in quotes is a name, whatever stands in it', () => {
  const text = STIRRER.replaceAll('sun shaft', '"frame, with: x3 # \\"so\\""').replaceAll('Hold', '“nothing”');
  const train = read(text);
  expect(train.members[0]?.name).toBe('frame, with: x3 # "so"');
  expect(ratio(train, [train.couplers[0]!.id])).toBe('4');
});

describe('what is wrong is said with its line and column', () => {
  test.each([
    // Words.
    ['pear: 19 on a drives 32 on b', '10:1 “pear” is not the beginning of a statement. Did you mean “gear”?'],
    ['xylophone', /^10:1 “xylophone” is not the beginning of a statement: there are train, input, /],
    ['pair: 19 on a drives 32 on b, modul 2', '10:31 “modul” is not understood here. Did you mean “module”?'],
    ['pair: 19 on a drives 32 on b module 2', '10:30 A comma is missing before this.'],
    ['clutch X: ring with carrier, fiction', '10:30 “fiction” is not understood here. Did you mean “friction”?'],
    ['set: plante 20 on sun shaft', '10:6 “plante” is not a part of a set. Did you mean “planet”?'],
    // Counts and figures.
    ['pair: 4o on a drives 32 on b', '10:7 “4o” is not a tooth count, a whole number.'],
    ['pair: 19.5 on a drives 32 on b', '10:7 A tooth count is a whole number.'],
    ['pair: 0 on a drives 32 on b', '10:7 A tooth count must be at least 1.'],
    ['pair: 200000 on a drives 32 on b', '10:7 A tooth count can be at most 100 000.'],
    ['pair: 19/20 on a drives 32 on b', '10:7 Only a planet has several gears in a set.'],
    ['pair: 19 on a drives 32 on b, module two', '10:38 “two” is not a module.'],
    ['pair: 19 on a drives 32 on b, module -2', '10:7 A module must be above 0.'],
    ['pair: 19 on a drives 32 on b, efficiency 1.2', '10:7 An efficiency can be at most 1.'],
    ['pair: 19 on a drives 32 on b, efficiency', '10:41 Give an efficiency here.'],
    // Names.
    [
      'brake X: rign',
      /^10:10 No member is called “rign”. Did you mean “ring”\? A member without gears is listed: member rign$/,
    ],
    ['position x: Hodl', '10:13 No coupler is called “Hodl”. Did you mean “Hold”?'],
    ['position x: Zzzz', '10:13 No coupler is called “Zzzz”.'],
    ['clutch Hold: ring with carrier', /^10:8 “Hold” is the name of another coupler\./],
    ['pair: same on nowhere drives 20 on x', /^10:15 No member is called “nowhere”\./],
    ['pair: same no 4 on ring drives 20 on x', '10:7 “ring” has 1 gear.'],
    ['slide X: pair nothing', /^10:15 No pair is called “nothing”/],
    ['member frame, limit 2', '10:8 The frame is always there and is not listed.'],
    // What is missing, or too much.
    ['pair: 19 on a', '10:14 A second gear is missing: write “drives”, its tooth count, “on” and its member.'],
    ['pair: 19 drives 32 on b', '10:10 Say which member it is on: write “on” and the member’s name.'],
    ['clutch X ring with carrier', '10:27 A “:” is missing behind the name.'],
    ['clutch X: ring', '10:15 A clutch joins two members: write “with” and the second.'],
    ['one-way X: ring', /^10:16 Say what it pushes/],
    ['brake X: ring, 4', '10:16 “4” is not understood here'],
    ['train "Other', '10:7 This quote is not closed on its line.'],
    ['train "O\\q"', /^10:7 In quotes/],
    ['input ring', '10:1 A train has one input: make the other an output, with its torque as a load below 0.'],
    [
      'set: sun 20 on a, planet 20 on p x3, ring 60 on b',
      '10:1 Say what carries its planets: write “carrier on” and the member.',
    ],
    [
      'set: sun 21 on a, planet on p, ring 60 on b, carrier on c',
      '10:19 No planet fits between 21 and 60: their difference, 39, is odd.',
    ],
    ['set: sun 61 on a, planet on p, ring 60 on b, carrier on c', /^10:19 No planet fits/],
    ['set: sun 20 on a, planet on p, carrier on c', /^10:19 Give its tooth count/],
    // Rules of the format.
    ['member a, carried by b\nmember b, carried by a', '10:8 The carriers go round in a loop.'],
    [
      'set: sun 9 on a, planet 9 on q, carrier on ring\nset: sun 9 on b, planet same on q, carrier on carrier',
      /^11:47 “q” is carried by “ring” already/,
    ],
    [
      'set: sun 9 on a, planet 9 on q x3, carrier on ring\nset: sun 9 on b, planet same on q x4, carrier on ring',
      '11:33 “q” has 3 copies elsewhere, and 4 here.',
    ],
    ['brake X: ring with carrier', /^10:1 /],
    ['pair: 20 on ring drives 30 on ring', /^10:7 .* are fixed to the same member, so they cannot mesh\.$/],
    ['sleeve S: Hold 4 to 1', '10:1 A span starts before it ends.'],
    ['sleeve S: Hold 4', /^10:1[67] /],
  ] as const)('%s', (line, expected) => {
    const found = wrong(`${STIRRER}${line}`);
    if (typeof expected === 'string') expect(found[0]?.startsWith(expected) ? expected : found).toBe(expected);
    else expect(found[0]).toMatch(expected);
  });

  test('without an input or output, at the end', () => {
    expect(wrong('train X\npair: 19 on a drives 32 on b')).toEqual([
      '2:29 Say where power comes in: write “input” and a member.',
      '2:29 Say where power goes out: write “output” and a member.',
    ]);
    expect(wrong('')).toEqual(['1:1 There is no train here yet: begin with “train” and its name.']);
  });
});

test('what reads is shown meanwhile, without what does not', () => {
  const { train, shown, problems } = readWritten(`${STIRRER}brake X: rign\nclutch Y: ring with carrier\npair: 9 on`);
  expect([train, problems.length]).toEqual([null, 2]);
  expect(shown?.couplers.map(({ name }) => name)).toEqual(['Hold', 'Lock-up', 'Y']);
  expect(shown && ratio(shown, ['Hold'])).toBe('4');
  const broken = readWritten(`${STIRRER}pair: 20 on ring drives 30 on ring\nposition x: Hold`);
  expect(broken.shown && ratio(broken.shown, ['Hold'])).toBe('4');
});

test('every part is found where it stands', () => {
  const { parts } = readWritten(STIRRER);
  const said = (kind: string) =>
    parts.filter(({ part }) => part.kind === kind).map(({ place }) => STIRRER.slice(place.from, place.to));
  expect(said('gear')).toEqual(['sun 20 on sun shaft', 'planet 20 x3', 'ring 60 on ring']);
  expect(said('coupler')).toEqual(['brake Hold: ring', 'clutch Lock-up: sun shaft with carrier']);
  expect(said('member')).toEqual(['sun shaft', 'planet 20 x3', 'ring', 'carrier']);
});

test('names that are nearly alike are asked about, and are two', () => {
  const box = (name: string) =>
    readWritten(
      `train Box\ninput a\noutput c\npair: 20 on a drives 40 on countershaft\npair: 30 on ${name} drives 30 on c`,
    );
  expect(box('countershaft').hints).toEqual([]);
  for (const slip of ['countershaf', 'Countershaft', 'counter shaft']) {
    const { train, hints } = box(slip);
    expect(hints.map(({ message }) => message)).toEqual([`Is “${slip}” another member than “countershaft”?`]);
    expect(train?.members).toHaveLength(4);
  }
  expect(box('countershaft 2').hints).toEqual([]);
});

test('what is far too large, or is no text, is refused at once', () => {
  expect(wrong('x'.repeat(10_000_000))).toEqual(['1:1 The text is larger than 2 MB, which no train is.']);
  expect(wrong('\u0000\u0001')).toEqual(['1:1 This is not text.']);
  expect(wrong('pair\n'.repeat(100_000))).toHaveLength(100);
  expect(wrong('# only remarks\n'.repeat(100_000))).toHaveLength(1);
  expect(wrong(`train X\ninput a\noutput b\n${'pair: 9 on a drives 9 on b\n'.repeat(2_000)}`).length).toBeGreaterThan(
    0,
  );
});

test('a second input is said once and plainly, however it is written', () => {
  const rest = 'output c\npair: 20 on a drives 40 on c\npair: 20 on b drives 40 on c\n';
  for (const inputs of ['input a\ninput b', 'input a, b', 'inputs: a, b']) {
    const { problems } = readWritten(`train Two motors\n${inputs}\n${rest}`);
    expect(problems.map(({ message }) => message)).toEqual([
      'A train has one input: make the other an output, with its torque as a load below 0.',
    ]);
  }
  const read = checkTrain({ ...readWritten(`train T\ninput a\n${rest}`).train!, input: ['a', 'b'] });
  expect(!read.ok && read.problems.map(({ path, message }) => [path, message])).toEqual([
    [['input'], expect.stringMatching(/^A train has one input/)],
  ]);
});
