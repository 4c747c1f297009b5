import { parseRational } from '../src/core/rational';
import { required } from '../src/core/required';
import { searchSchemes, type GivenSet, type SchemeQuestion } from '../src/core/schemes';

const simple = (id: string, sun: number, ring: number): GivenSet => ({ id, kind: 'simple', sun, ring });
const [A, B, C, D] = [simple('1', 40, 80), simple('2', 36, 84), simple('3', 50, 86), simple('4', 25, 83)];

const ask = (sets: readonly GivenSet[], ratios: string, more: Partial<SchemeQuestion>): SchemeQuestion => ({
  sets,
  forward: ratios.split(' ').map((text) => required(parseRational(text))),
  tolerance: 0.03,
  reverse: 'any',
  atMost: 5,
  brakes: null,
  clutches: null,
  engaged: null,
  single: 'preferred',
  input: null,
  output: null,
  limits: {},
  limit: 20,
  ...more,
});

const MOST_S = 900;

/** All schemes of two, of three and of four given sets, and when the first of four sets is found. */
export function benchSchemes(): void {
  console.log('\n== schemes');
  whole('two sets, three ratios', ask([A, B], '2.6 1.6 1', { engaged: 2, tolerance: 0.06 }), 'at once');
  whole('three sets, M = 6, five ratios', ask([A, B, C], '3.5 2.2 1.5 1 0.75', { engaged: 2 }), '1 s');
  // The harvester's sets and, rounded, its ladder.
  const ladder = '4.32 3.024 2.05 1.6 1.24 1 0.864 0.7';
  const start = performance.now();
  const seconds = () => (performance.now() - start) / 1000;
  let first: number | null = null;
  let [memory, asked] = [0, 0];
  const answer = searchSchemes(ask([A, B, C, D], ladder, { engaged: 3, tolerance: 0.02 }), {
    due: () => first === null,
    tell: ({ schemes }) => {
      if (schemes > 0) first ??= seconds();
    },
    over: () => {
      if (asked++ % 10_000 === 0) memory = Math.max(memory, process.memoryUsage().rss);
      return seconds() > MOST_S;
    },
  });
  console.log(
    `four sets, M = 8, eight ratios, five elements: ${answer.walked} of ${answer.of} ways to join, ` +
      `${answer.schemes} schemes, ${answer.proven ? 'proven' : 'not whole'}, ${seconds().toFixed(0)} s (limit 300), ` +
      `the first ${first === null ? 'not yet' : `after ${(first as number).toFixed(1)} s`} (limit 10)`,
  );
  console.log(`memory in use: ${(memory / 1e6).toFixed(0)} MB (limit 500)`);
}

function whole(what: string, question: SchemeQuestion, limit: string): void {
  const start = performance.now();
  const { schemes, of, proven } = searchSchemes(question);
  const ms = performance.now() - start;
  console.log(
    `${what}: ${of} ways to join, ${schemes} schemes, ${proven ? 'proven' : 'not whole'}, ${ms.toFixed(0)} ms (limit ${limit})`,
  );
}
