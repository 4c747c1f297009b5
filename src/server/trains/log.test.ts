import { demoTrain } from '@/testing/demo-train';
import { freshShelf } from '@/testing/fresh-shelf';
import { shelved } from '@/testing/kept';
import { stopWorkers } from '../heavy';
import { addAnswers, addPerson, listAnswers } from '../practice/people';
import { copyBeside } from './beside';
import { addToLog, listLog, logPages } from './log';

const shelf = freshShelf();
afterAll(stopWorkers);

const entries = (...ids: string[]) => ids.map((id) => ({ id, kind: 'reading' as const, document: '{}' }));
const many = Array.from({ length: 1000 }, (_, i) => `import ${999 - i}`);

test('a log stands in the order in which it was written, whatever came at once', async () => {
  const database = shelf();
  const id = await shelved(database, demoTrain('stirrer'));
  const other = await shelved(database, demoTrain('stirrer'));
  await addToLog(database, id, entries(...many));
  await addToLog(database, other, entries('elsewhere'));
  await addToLog(database, id, entries('a'));
  // Sent once more, it stays where it is.
  await addToLog(database, id, entries('import 999', 'b'));
  const order = [...many, 'a', 'b'];
  expect((await listLog(database, id)).map((one) => one.id)).toEqual(order);
  await copyBeside(database, id, other);
  await addToLog(database, other, entries('0 last'));
  const copied = (await listLog(database, other)).map((one) => one.id);
  expect(copied.filter((one) => one !== 'elsewhere')).toEqual([...order, '0 last']);
});

test('a log of several pages comes whole, places that are there twice too', async () => {
  const database = shelf();
  const id = await shelved(database, demoTrain('stirrer'));
  for (const start of ['a', 'b', 'c']) await addToLog(database, id, entries(...many.map((one) => `${start} ${one}`)));
  await database.write(({ sql }) => sql('UPDATE log_entries SET place = (place + 1) / 2 WHERE train_id = ?', [id]));
  const pages: number[] = [];
  for await (const page of logPages(database, id)) pages.push(page.length);
  expect(Math.max(...pages)).toBeLessThan(1000);
  const whole = await listLog(database, id);
  expect(new Set(whole.map((one) => one.id)).size).toBe(3000);
  expect(whole).toHaveLength(3000);
});

test('answers too', async () => {
  const database = shelf();
  await addPerson(database, { id: 'p1', name: 'Ansel' });
  await addAnswers(
    database,
    'p1',
    many.map((id) => ({ id, document: JSON.stringify(id) })),
  );
  await addAnswers(database, 'p1', [{ id: 'a', document: '"a"' }]);
  expect((await listAnswers(database, 'p1'))?.map(({ document }) => document)).toEqual(
    [...many, 'a'].map((id) => JSON.stringify(id)),
  );
});
