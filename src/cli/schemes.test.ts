import { mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { parseTrain } from '@/core/train';
import { modelOf } from '@/core/model';
import { toFraction } from '@/core/rational';
import { runHere } from '@/testing/command';

const folder = mkdtempSync(join(tmpdir(), 'tin-wheel-schemes-'));
afterAll(() => rmSync(folder, { recursive: true }));
const search = readFileSync(join('src', 'core', 'schemes', 'cases', 'schemes.search.json'), 'utf8');
const written = (name: string, change: object) => {
  const file = join(folder, name);
  writeFileSync(file, JSON.stringify({ ...(JSON.parse(search) as object), ...change }));
  return file;
};

test('the best of two sets, whose train gives the listed ratios', () => {
  const { status, stdout } = runHere('schemes', written('a.schemes.json', { limit: 3 }));
  expect(status).toBe(0);
  const answer = JSON.parse(stdout) as {
    readonly proven: boolean;
    readonly engaged: number;
    readonly schemes: number;
    readonly train: unknown;
    readonly results: readonly {
      readonly members: readonly (readonly string[])[];
      readonly positions: readonly { readonly engaged: readonly number[]; readonly ratio: string }[];
      readonly elements: readonly { readonly joins: readonly number[] }[];
      readonly reverse: readonly { readonly ratio: string }[];
      readonly worst: number;
    }[];
  };
  expect([answer.proven, answer.engaged, answer.results.length]).toEqual([true, 2, 3]);
  const [best] = answer.results;
  expect(best!.worst).toBeCloseTo(0.011977886977887, 12);
  const read = parseTrain(JSON.stringify(answer.train));
  if (!read.ok) throw new Error('The train does not read.');
  const ratios = read.train.positions.map(({ id }) => toFraction(modelOf(read.train).solvedIn(id).ratio!));
  expect(ratios).toEqual([...best!.positions, ...best!.reverse].map(({ ratio }) => ratio));
  expect(best!.members.flat().sort()).toEqual(['a.carrier', 'a.ring', 'a.sun', 'b.carrier', 'b.ring', 'b.sun']);
  for (const { engaged } of best!.positions) for (const at of engaged) expect(best!.elements[at]).toBeDefined();
});

test('time that is over is said, and what was found until then is told', () => {
  const sets = [28, 42, 30].map((sun, i) => ({ id: `s${i}`, kind: 'simple', sun, ring: sun + 46 + 2 * i }));
  const { status, stdout } = runHere('schemes', written('b.schemes.json', { sets, engaged: 3, timeS: 0.05 }));
  expect(status).toBe(0);
  const answer = JSON.parse(stdout) as { readonly proven: boolean; readonly cut: string; walked: number; of: number };
  expect(answer.proven).toBe(false);
  expect(answer.cut).toMatch(/0\.05 s that were allowed are over/);
  expect(answer.walked).toBeLessThan(answer.of);
});

test('a wish that nothing can give is told before anything is searched', () => {
  const { status, stderr } = runHere('schemes', written('c.schemes.json', { elements: { atMost: 2 } }));
  expect(status).toBe(2);
  expect(stderr).toMatch(/elements\.atMost: 2 elements, 2 engaged at once, make 1 positions at most; 4 are wished for/);
});
