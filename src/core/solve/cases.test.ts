import { readdirSync, readFileSync } from 'node:fs';
import { join } from 'node:path';
import { parseTrain, serialiseTrain } from '../train';
import { reportTrain } from './report';
import { modelOf } from '../model';

/** Trains with exact results from an independent solver. */
const EXPECTED = join(__dirname, 'cases');
const TRAINS = join(__dirname, '../../../demo/trains');
const names = readdirSync(EXPECTED).map((file) => file.replace('.expected.json', ''));

describe.each(names)('%s', (name) => {
  const text = readFileSync(join(TRAINS, `${name}.train.json`), 'utf8');
  const parsed = parseTrain(text);
  if (!parsed.ok) throw new Error(parsed.problems[0]!.message);

  test('solves to the exact expected figures in every position', () => {
    const expected = JSON.parse(readFileSync(join(EXPECTED, `${name}.expected.json`), 'utf8'));
    expect(reportTrain(modelOf(parsed.train).open, { losses: expected.losses })).toEqual(expected);
  });

  test('is written back byte for byte', () => {
    expect(serialiseTrain(parsed.train).trim()).toBe(text.trim());
  });
});
