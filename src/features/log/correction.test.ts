import { readdirSync, readFileSync } from 'node:fs';
import { join } from 'node:path';
import { readLog, readReading, type Reading } from '@/core/measurement';
import { demoTrain } from '@/testing/demo-train';
import { correctionOf, draftOf, keptBeside } from './correction';
import { emptyFigures, writtenReading, type ReadingDraft } from './kinds';

const LOGS = join(__dirname, '../../../demo/logs');

/** A form in which something else was set up meanwhile. */
const before: ReadingDraft = {
  kind: 'tip',
  figures: { ...emptyFigures('tip'), instrument: 'another', resolution: '9' },
  member: 'elsewhere',
  mesh: 'elsewhere',
  gear: 'elsewhere',
  part: 'elsewhere',
  what: 'something else',
  note: 'of another reading',
  loaded: true,
  way: 'reverse',
};

test('a correction that changes nothing keeps every field of every reading of the demo logs', () => {
  let seen = 0;
  for (const file of readdirSync(LOGS)) {
    const train = demoTrain(file.replace('.log.json', ''));
    const log = readLog(readFileSync(join(LOGS, file), 'utf8'));
    if (!log.ok) throw new Error(file);
    const dressed = (reading: Reading, i: number): Reading => ({
      ...reading,
      at: `2026-05-0${1 + (i % 9)}T10:00:00.000Z`,
      revision: i + 2,
      run: 'evening',
      picture: `picture ${i}`,
      ...(i % 3 === 0 && { simulated: true }),
    });
    for (const [i, plain] of log.value.readings.entries()) {
      const reading = dressed(plain, i);
      const correction = correctionOf(reading.id, reading);
      const rest = keptBeside(correction, reading.kind);
      const at = correction.placed ?? { position: null, engaged: [] };
      const read = readReading(writtenReading(draftOf(reading, before), { id: reading.id, ...rest, ...at }), train);
      const said = { ...reading, loaded: reading.loaded ?? false };
      if (!read.ok) throw new Error(JSON.stringify(read));
      expect({ ...read.value, loaded: read.value.loaded ?? false }).toMatchObject(said);
      seen++;
    }
  }
  expect(seen).toBeGreaterThan(10);
});
