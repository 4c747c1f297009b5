import { readLog, readReading } from '@/core/measurement';
import { demoTrain } from '@/testing/demo-train';
import { KEY, spoiled } from '@/testing/spoiled';
import { csvOf, readCsv, readingsOf } from './csv';
import type { Reading } from '@/core/measurement';
import {
  emptyFigures,
  KIND_ORDER,
  KINDS,
  ofKind,
  resolutionsOf,
  wrongMarks,
  writtenReading,
  type ReadingDraft,
} from './kinds';
import { seenOf, sightsOf } from './faults/seen-of';

const RAKE = demoTrain('pan-rake');
const draft = (kind: ReadingDraft['kind'], figures: Readonly<Record<string, string>>): ReadingDraft => ({
  kind,
  figures: { ...emptyFigures(kind), ...figures },
  member: 'out',
  mesh: 'm5',
  gear: 'g1a',
  part: 'lay',
  what: 'pin sheared',
  note: '',
  loaded: false,
  way: '',
});
const AT = { id: 'a', position: '1', engaged: ['first'] };

test('every kind has a letter of its own, and with a figure in each field it reads', () => {
  expect(new Set(KIND_ORDER.map((kind) => KINDS[kind].letter)).size).toBe(KIND_ORDER.length);
  for (const kind of KIND_ORDER) {
    const own = Object.fromEntries(
      KINDS[kind].fields.filter(({ stays, optional }) => !stays && !optional).map(({ key }) => [key, '20']),
    );
    expect([kind, readReading(writtenReading(draft(kind, own), AT), RAKE).ok]).toEqual([kind, true]);
  }
});

test('units behind a figure are taken, others are refused; marks count from full turns', () => {
  const written = (figures: Readonly<Record<string, string>>, kind: ReadingDraft['kind'] = 'scale') =>
    writtenReading(draft(kind, figures), AT) as unknown as Record<string, unknown>;
  expect(written({ grams: '2 N', armMm: '4 in' })).toMatchObject({ grams: 203.943242596, armMm: 101.6 });
  expect(written({ grams: '1,5 lbf' }).grams).toBeCloseTo(680.388555, 6);
  expect(written({ grams: '2 parsec' }).grams).toBe('2 parsec');
  expect(written({ passed: '3.5', full: '2', marks: '24' }, 'marks').passed).toBe(51.5);
  expect(wrongMarks(draft('marks', { passed: '30' }))).toContain('More marks than the 24 of one turn');
  expect(wrongMarks(draft('marks', { passed: '30', full: '0' }))).toBeNull();
});

test('what is set up once a day stays from kind to kind; the reading itself does not', () => {
  expect(emptyFigures('frames', { frameRate: '240', frames: '31', turns: '3' })).toMatchObject({
    frameRate: '240',
    frames: '',
    turns: '3',
  });
});

test('how finely one kind can be read does not become another’s; what the input does is the same for all', () => {
  const marks = draft('marks', { passed: '8.5', resolution: '0.3', inputTurns: '4', marks: '60' });
  const speed = ofKind(marks, 'tachometer');
  expect(speed.figures).toMatchObject({ rpm: '', resolution: '1' });
  const angle = ofKind({ ...speed, figures: { ...speed.figures, resolution: '5' } }, 'angle');
  expect(angle.figures).toEqual({ degrees: '', inputTurns: '1', resolution: '1' });
  expect(ofKind(marks, 'turns').figures).toMatchObject({ inputTurns: '4', resolution: '0.25' });
  expect(ofKind(angle, 'marks').figures).toMatchObject({ passed: '8.5', resolution: '0.3', marks: '60' });
  expect(ofKind(angle, 'tachometer').figures.resolution).toBe('5');
});

test('a figure in a unit of its own is kept as it was read', () => {
  const own = writtenReading(draft('scale', { grams: '0.7 lbf', armMm: '120' }), AT) as Record<string, unknown>;
  expect(own).toMatchObject({ asRead: { grams: '0.7 lbf' }, armMm: 120 });
  expect(readReading(own, RAKE).ok).toBe(true);
  expect(writtenReading(draft('scale', { grams: '−317,5', armMm: '2 1/2' }), AT)).not.toHaveProperty('asRead');
});

test('a log as CSV comes in as it went out, but for its ids', () => {
  const readings = [
    { kind: 'marks', position: '1', member: 'out', marks: 24, passed: 4.75, note: 'a, "b"' },
    { kind: 'scale', position: '2', member: 'out', grams: 250, armMm: 100, simulated: true },
  ] as const;
  const { head, rows } = csvOf({
    format: 'tin-wheel/log',
    version: 1,
    readings: readings.map((one, i) => ({ id: `${i}`, ...one })),
  });
  const text = [head, ...rows]
    .map((cells) => cells.map((cell) => `"${String(cell).replaceAll('"', '""')}"`).join(','))
    .join('\n');
  const table = readCsv(text);
  const back = readingsOf(RAKE, table, table.meant, {});
  expect(back.ok && back.value.map(({ id: _, ...reading }) => reading)).toEqual(readings);
  expect(
    readingsOf(RAKE, readCsv('position,passed,marks\n1,x,24'), ['position', 'passed', 'marks'], {
      kind: 'marks',
      member: 'out',
    }),
  ).toMatchObject({ ok: false, problems: [{ message: expect.stringMatching(/^Row 2: passed/) }] });
});

test('sightings become what was seen; another ratio without bounds is not yet one', () => {
  const seen = seenOf(
    {
      1: { look: 'ok', least: '', most: '' },
      2: { look: 'ratio', least: '1,9', most: '2.1' },
      3: { look: 'ratio', least: '', most: '2' },
    },
    [{ engaged: ['first'], sight: { look: 'locked', least: '', most: '' } }],
  );
  expect(seen).toEqual({
    format: 'tin-wheel/seen',
    version: 1,
    positions: { 1: 'ok' },
    ratios: { 2: [1.9, 2.1] },
    tried: [{ engaged: ['first'], seen: 'locked' }],
  });
});

test('what was seen comes back from its file as it was marked', () => {
  const sights = {
    1: { look: 'neutral', least: '', most: '' },
    2: { look: 'ratio', least: '1.9', most: '2.1' },
  } as const;
  const tried = [{ engaged: ['first', 'third'], sight: { look: 'locked', least: '', most: '' } }] as const;
  const seen = seenOf(sights, tried);
  expect(sightsOf(seen)).toEqual({ sights, tried });
});

const MARKS = { id: 'a', kind: 'marks', member: 'out', marks: 24, passed: 10 } as const;

test('what is wrong with a reading is said in words, never by keys of the file', () => {
  for (const reading of [
    { ...MARKS, inputTurns: 1, resolution: 0.5, way: 'same', flow: 'drive', loaded: true, engaged: ['a'] },
    { id: 'b', kind: 'scale', member: 'out', grams: 3, resolutionG: 1, armMm: 9, resolutionMm: 1, inputTorqueNm: 2 },
    { id: 'c', kind: 'tachometer', member: 'out', rpm: 3, inputRpm: 1, inputResolution: 1, revision: 2 },
    { id: 'd', kind: 'weight', member: 'out', massKg: 3, resolutionKg: 1, drumMm: 9, inputResolutionNm: 1 },
  ])
    for (const wrong of spoiled({ format: 'tin-wheel/log', version: 1, readings: [reading] })) {
      const read = readLog(JSON.stringify(wrong));
      if (!read.ok) expect(read.problems[0].message).not.toMatch(KEY);
    }
});

test('an instrument brings how finely it was last read in its kind, and goes out and in with its reading', () => {
  const marks = draft('marks', { passed: '8.5', instrument: 'tone wheel', resolution: '0.25' });
  const written = writtenReading(marks, { id: 'a', position: '1', engaged: [] });
  const read = readReading(written, RAKE);
  if (!read.ok) throw new Error(read.problems[0].message);
  expect(read.value).toMatchObject({ instrument: 'tone wheel', resolution: 0.25 });
  expect(resolutionsOf('marks', 'tone wheel', [read.value])).toEqual({ resolution: '0.25' });
  expect(resolutionsOf('turns', 'tone wheel', [read.value])).toEqual({});
  expect(resolutionsOf('marks', 'another', [read.value])).toEqual({});
  // Each kind has its own.
  expect(ofKind(marks, 'turns').figures.instrument).toBeUndefined();
  expect(ofKind(ofKind(marks, 'turns'), 'marks').figures.instrument).toBe('tone wheel');
});

test('a log as CSV has every field of its readings, each in its unit, and comes in as it went out', () => {
  const readings = [
    { ...MARKS, engaged: ['first', 'low gear'], flow: 'coast', loaded: true, way: 'reverse', instrument: 'wheel' },
    { id: 'b', kind: 'turns', position: '2', member: 'out', against: 'lay', turns: 3, resolution: 0.5, note: 'a, b' },
    { id: 'c', kind: 'scale', position: '1', member: 'out', grams: 317.5, armMm: 100, asRead: { grams: '0.7 lbf' } },
    { id: 'd', kind: 'event', part: 'lay', what: 'key sheared', position: '3', picture: 'p1' },
  ] as unknown as Reading[];
  const table = csvOf({ format: 'tin-wheel/log', version: 1, readings });
  // Half a mark, half a turn: a resolution has the unit of its own reading.
  expect(table.head).toContain('resolution');
  expect(table.head).toContain('grams (g)');
  const { head, rows, meant } = readCsv([table.head, ...table.rows].map((row) => row.map(quoted).join(',')).join('\n'));
  const box = { ...RAKE, couplers: [...RAKE.couplers] };
  const back = readingsOf(box, { head, rows: rows.slice(1), meant }, meant, {});
  if (!back.ok) throw new Error(back.problems[0].message);
  expect(back.value).toEqual(readings.slice(1));
  expect(rows[0]![head.indexOf('engaged')]).toBe('["first","low gear"]');
});
const quoted = (cell: string) => `"${cell.replaceAll('"', '""')}"`;
