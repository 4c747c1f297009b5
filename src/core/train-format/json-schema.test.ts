import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import { LIMITS } from '../train';
import { trainJsonSchema } from '.';

const DOCS = join(__dirname, '../../../docs');

test('docs/train.schema.json is current (npm run schema writes it)', () => {
  expect(JSON.parse(readFileSync(join(DOCS, 'train.schema.json'), 'utf8'))).toEqual(
    JSON.parse(JSON.stringify(trainJsonSchema())),
  );
});

test('docs/train-format.md states the limits that hold', () => {
  const text = readFileSync(join(DOCS, 'train-format.md'), 'utf8');
  const stated = text.split('\n').find((line) => line.startsWith('Limits:'));
  for (const [what, most] of Object.entries(LIMITS))
    expect(stated).toContain(`${String(most).replace(/(\d)(\d{3})$/, '$1 $2')} ${what}`);
});
