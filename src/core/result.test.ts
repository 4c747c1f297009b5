import * as z from 'zod/mini';
import { accept, parseJson, placeText, problemAt, refusalText, refuse, resultOf, type RefusedResult } from './result';

const schema = z.strictObject({
  name: z.string({ error: 'Give a name, as text.' }),
  spans: z.array(z.strictObject({ least: z.number({ error: 'A least is a number.' }) })),
});
const refused = (value: unknown): RefusedResult => {
  const read = resultOf(schema.safeParse(value));
  if (read.ok) throw new Error('This must be refused.');
  return read;
};

test('what reads is its value', () => {
  const value = { name: 'winch', spans: [{ least: 1 }] };
  expect(resultOf(schema.safeParse(value))).toEqual(accept(value));
});

test('everything that is wrong is told with its place; a command line says the first, a form each at its field', () => {
  const wrong = refused({ name: 4, spans: [{ least: 1 }, { least: 'two' }] });
  expect(wrong.problems.map(({ path }) => placeText(path))).toEqual(['name', 'spans[1].least']);
  expect(refusalText(wrong)).toBe('name: Give a name, as text.');
  expect(problemAt(wrong, 'spans')?.message).toBe('A least is a number.');
  expect(problemAt(wrong, 'spans[1].least')?.message).toBe('A least is a number.');
  expect(problemAt(wrong, 'spans[0]')).toBeUndefined();
  // A field is not within another that begins with the same letters.
  expect(problemAt(refuse('no', ['nameOf']), 'name')).toBeUndefined();
});

test('a field that there is not is named; what is wrong with the whole has no place', () => {
  expect(refusalText(refused({ name: 'winch', spans: [], colour: 1 }))).toBe('There is no such field: colour.');
  expect(refusalText(refuse('Say what is looked for.'))).toBe('Say what is looked for.');
});

test('one line, whatever is in it', () => {
  expect(refusalText(refuse('two\nlines', ['a', 0, 'b\u2028c']))).toBe('a[0].b c: two lines');
});

test('text that is no JSON says so', () => {
  expect(parseJson('[1]')).toEqual(accept([1]));
  const read = parseJson('{');
  expect(read.ok ? 'read' : refusalText(read)).toMatch(/^This is not JSON: /);
});
