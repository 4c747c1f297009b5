import { demoTrain } from '@/testing/demo-train';
import { mul, parseRational, toFraction, type Rational } from '../rational';
import {
  drill,
  levelOf,
  mark,
  readWorksheet,
  rolesTable,
  SKILLS,
  subjectOf,
  worksheetText,
  type Skill,
  type WorksheetFile,
} from '.';
import { modelOf } from '../model';
import { refusalText } from '../result';

const product = (texts: readonly string[]): Rational =>
  texts.map((text) => parseRational(text)!).reduce(mul, parseRational('1')!);

test('the roles table of the rake: its ratios multiply to the solver’s, its names are those of the counts', () => {
  const train = demoTrain('pan-rake');
  const rows = rolesTable(subjectOf(train));
  const solved = modelOf(train).positions();
  expect(rows.length).toBeGreaterThan(3);
  const pairsOf = (row: (typeof rows)[number]) =>
    row.stages.flatMap((stage) => (stage.ratio ? [{ ...stage, ratio: stage.ratio }] : []));
  // No position gives itself away by having fewer lines.
  expect(new Set(rows.map((row) => row.stages.length)).size).toBe(1);
  for (const row of rows) {
    const { position, overall } = row;
    const stages = pairsOf(row);
    const ratio = solved.get(position)!.ratio!;
    for (const { driver, driven } of row.stages.slice(stages.length))
      expect([driver.answer.value, driven.answer.value]).toEqual(['no pair', 'no pair']);
    expect(overall.answer.value).toBe(toFraction(ratio).replace('-', ''));
    expect(toFraction(product(stages.map((stage) => stage.ratio.answer.value)))).toBe(overall.answer.value);
    for (const { driver, driven, ratio: own } of stages) {
      const [a, b] = [driver, driven].map((cell) => parseInt(String(cell.answer.value)));
      expect(toFraction(mul(parseRational(String(b))!, parseRational(`1/${a}`)!))).toBe(own.answer.value);
      // Taken for one another, they are named as what they are: the pair upside down.
      expect(mark(driver, String(driven.answer.value))).toEqual({ verdict: 'wrong', slip: 'upside-down' });
    }
  }
  const direct = rows.find((row) => pairsOf(row).length === 0)!;
  expect(direct.overall.answer.value).toBe('1');
  // The pairs beside it would give something: whoever multiplies them has calculated what is direct.
  const [trap] = direct.overall.slips.filter(({ slip }) => slip === 'direct-calculated');
  expect(mark(direct.overall, trap!.value)).toEqual({ verdict: 'wrong', slip: 'direct-calculated' });
  const reverse = rows.find(({ stages }) => stages.some(({ idler }) => idler))!;
  const trapped = reverse.overall.slips.filter(({ slip }) => slip === 'idler-counted');
  expect(mark(reverse.overall, trapped[0]!.value)).toEqual({ verdict: 'wrong', slip: 'idler-counted' });
});

test('positions through sets have no row', () => {
  expect(rolesTable(subjectOf(demoTrain('harvester')))).toEqual([]);
  expect([levelOf(demoTrain('harvester')), levelOf(demoTrain('pan-rake'))]).toEqual(['coupled', 'stages']);
});

const names = ['pan-rake', 'mud-tram', 'harvester'];
const subjects = names.map((name) => subjectOf(demoTrain(name)));
const file: WorksheetFile = {
  format: 'tin-wheel/worksheet',
  version: 1,
  name: 'Marrow Point, week one',
  trains: subjects.map(({ train }, i) => ({ id: names[i]!, train })),
  tables: [0],
  questions: drill(subjects, { seed: 9, count: 30, skills: Object.keys(SKILLS) as Skill[] }).map(
    ({ train, skill, seed }) => ({ train, skill: skill as Skill, seed }),
  ),
};

test('a worksheet keeps what makes its questions, and opened again it asks the same', () => {
  const read = readWorksheet(worksheetText(file));
  if (!read.ok) throw new Error(refusalText(read));
  expect(read.value.file).toEqual(file);
  expect(worksheetText(read.value.file)).toBe(worksheetText(file));
  const fresh = drill(subjects, { seed: 9, count: 30, skills: Object.keys(SKILLS) as Skill[] });
  expect(read.value.sheet.questions).toEqual(fresh);
  expect(read.value.sheet.tables.map(({ rows }) => rows)).toEqual([rolesTable(subjects[0]!)]);
});

const changed = (change: (file: Record<string, never>) => unknown): string =>
  JSON.stringify(change(JSON.parse(worksheetText(file)) as Record<string, never>));

test.each([
  ['no JSON', '{', 'This is not JSON'],
  [
    'another format',
    changed((one) => ({ ...one, format: 'tin-wheel/train' })),
    'The format must be "tin-wheel/worksheet"',
  ],
  ['a later version', changed((one) => ({ ...one, version: 2 })), 'This version of the format is not known'],
  ['no trains', changed((one) => ({ ...one, trains: [] })), 'one train at least'],
  ['a broken train', changed((one) => ({ ...one, trains: [{ train: { name: 'x' } }] })), 'trains[0].train'],
  [
    'a skill there is not',
    changed((one) => ({ ...one, questions: [{ train: 0, skill: 'juggling', seed: 1 }] })),
    'The skills are pair',
  ],
  [
    'a train there is not',
    changed((one) => ({ ...one, questions: [{ train: 7, skill: 'pair', seed: 1 }] })),
    'questions[0].train: there is no train 7',
  ],
  [
    'a question that cannot be made',
    changed((one) => ({ ...one, questions: [{ train: 0, skill: 'basic', seed: 1 }] })),
    'gives no question of the skill “basic”',
  ],
  ['a table of sets', changed((one) => ({ ...one, tables: [2] })), 'tables[0]'],
])('%s is refused with its place', (_, text, says) => {
  const read = readWorksheet(text);
  expect(read.ok ? 'read' : refusalText(read)).toContain(says);
});
