import { join } from 'node:path';
import { checkDesign } from '@/core/checks';
import { drawSideView, QUICK, SPACES } from '@/core/drawing';
import { endView } from '@/core/end-view';
import { chartOf } from '@/core/gear-chart';
import { parseTrain, serialiseTrain } from '@/core/train';
import { toFraction } from '@/core/rational';
import { bruteForce } from '@/testing/all-subsets';
import { demoNames, demoTrain } from '@/testing/demo-train';
import { shapeOfEntry } from '@/core/measurement';
import { readWorksheet } from '@/core/practice';
import { runScenario, readScenario } from '@/core/shifting';
import { isSchemeSearch, readSchemeSearch } from '@/core/schemes';
import { readSearch } from '@/core/tooth-search';
import { readExamplesBeside } from './beside';
import { readExamples } from './read';
import { refusalText } from '@/core/result';

const FOLDER = join(__dirname, '../../../demo');
const NAMES = demoNames();

test('there are eighteen trains or more, every file is on the shelf, and each says what it teaches', async () => {
  const examples = await readExamples(FOLDER);
  expect(examples.length).toBeGreaterThanOrEqual(18);
  expect([...NAMES].sort()).toEqual(examples.map(({ id }) => id).sort());
  expect(new Set(examples.map(({ name }) => name)).size).toBe(examples.length);
  for (const name of NAMES) expect(demoTrain(name).notes!.length).toBeGreaterThan(40);
});

test.each(NAMES)('%s reads, is written as it is read, is drawn, cut and charted, and drives somewhere', (name) => {
  const train = demoTrain(name);
  const again = parseTrain(serialiseTrain(train));
  expect(again.ok && again.train).toEqual(train);
  const drawn = drawSideView(train, SPACES.bench, { effort: QUICK });
  if (!drawn.ok) throw new Error(drawn.why);
  for (const { id } of train.gears) expect(drawn.view.gears.some(({ gear }) => gear === id)).toBe(true);
  expect(endView(train, drawn.view.order).length).toBeGreaterThan(0);
  const { rows } = chartOf(train);
  expect(rows.some(({ solved }) => solved.status === 'drive')).toBe(true);
  // What a train teaches may be wrong with it on purpose; that its counts cannot be built is no lesson.
  const unbuildable = ['coaxial', 'module', 'distance', 'assembly', 'collision'];
  for (const { kind } of checkDesign(train)) expect(unbuildable).not.toContain(kind);
  for (const { module } of train.gears) expect(module).toBeGreaterThan(0);
});

test.each(NAMES.filter((name) => demoTrain(name).couplers.length <= 10))(
  '%s has the ratios of the brute force',
  (name) => {
    const train = demoTrain(name);
    for (const { engaged, solved } of chartOf(train).rows) {
      const brute = bruteForce(train, new Set(engaged));
      expect([solved.status, solved.ratio && toFraction(solved.ratio)]).toEqual([
        brute.status,
        brute.ratio && toFraction(brute.ratio),
      ]);
    }
  },
);

test(
  'what stands beside them reads: scenarios run, searches and logs are ' +
    'sound, the worksheet asks about trains as they are',
  async () => {
    const { scenarios, searches, readings, worksheets } = await readExamplesBeside(FOLDER);
    expect([scenarios.length, searches.length, worksheets.length].every((count) => count > 0)).toBe(true);
    expect(readings.length).toBeGreaterThan(2);
    const trainOf = (id: string | null) => demoTrain(String(id));
    for (const { train, document } of scenarios) {
      const scenario = readScenario(document, trainOf(train));
      if (!scenario.ok) throw new Error(refusalText(scenario));
      expect(runScenario(trainOf(train), scenario.value).events.length).toBeGreaterThan(0);
    }
    for (const { document } of searches)
      expect(isSchemeSearch(JSON.parse(document)) ? readSchemeSearch(document) : readSearch(document)).toMatchObject({
        ok: true,
      });
    expect(searches.filter(({ document }) => isSchemeSearch(JSON.parse(document)))).toHaveLength(2);
    for (const { document } of readings) expect(shapeOfEntry('reading', JSON.parse(document)).ok).toBe(true);
    for (const { document } of worksheets) {
      const sheet = readWorksheet(document);
      if (!sheet.ok) throw new Error(refusalText(sheet));
      for (const one of sheet.value.sheet.trains) expect(one.train).toEqual(trainOf(one.id!));
    }
  },
);
