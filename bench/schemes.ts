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

const FOUR_S = 120;

/** All schemes of two and of three given sets; of four, how far the walk comes and when the first is found. */
export function benchSchemes(): void {
  console.log('\n== schemes');
  whole('two sets, three ratios', ask([A, B], '2.6 1.6 1', { engaged: 2, tolerance: 0.06 }), 'at once');
  whole('three sets, M = 6, five ratios', ask([A, B, C], '3.5 2.2 1.5 1 0.75', { engaged: 2 }), '1 s');
  const ladder = '4.32 3.024 2.16 1.76 1.5 1.2 1 0.84';
  const start = performance.now();
  let first: number | null = null;
  const answer = searchSchemes(ask([A, B, C, D], ladder, { engaged: 3, tolerance: 0.02 }), {
    due: () => first === null,
    tell: ({ schemes }) => {
      if (schemes > 0) first ??= (performance.now() - start) / 1000;
    },
    over: () => performance.now() - start > 1000 * FOUR_S,
  });
  const perMinute = (answer.walked * 60) / FOUR_S;
  console.log(
    `four sets, M = 8, eight ratios, five elements: ${answer.walked} of ${answer.of} ways to join in ${FOUR_S} s ` +
      `(all in ${(answer.of / perMinute).toFixed(0)} min; limit 5), ${answer.schemes} found, the first ` +
      `${first === null ? 'not yet' : `after ${(first as number).toFixed(1)} s`} (limit 10 s)`,
  );
  console.log(`memory in use: ${(process.memoryUsage().rss / 1e6).toFixed(0)} MB (limit 500)`);
}

function whole(what: string, question: SchemeQuestion, limit: string): void {
  const start = performance.now();
  const { schemes, of, proven } = searchSchemes(question);
  const ms = performance.now() - start;
  console.log(
    `${what}: ${of} ways to join, ${schemes} schemes, ${proven ? 'proven' : 'not whole'}, ${ms.toFixed(0)} ms (limit ${limit})`,
  );
}
