import { CAUTIONS } from '@/core/cautions';
import { TOPICS, type Topic } from './topics';
import { WORDS } from './words';

const topics: readonly Topic[] = Object.values(TOPICS);

test('every word and caution is told somewhere', () => {
  expect(new Set(topics.flatMap(({ words }) => words))).toEqual(new Set(Object.keys(WORDS)));
  expect(new Set(topics.flatMap(({ cautions }) => cautions))).toEqual(new Set(Object.keys(CAUTIONS)));
});

test('no screen tells a word or a caution twice, and each says what to do, and what can hurt', () => {
  for (const { words, cautions, steps, question } of topics) {
    expect(question).toMatch(/\?$/);
    expect(steps.length).toBeGreaterThan(1);
    expect(cautions.length).toBeGreaterThan(0);
    for (const list of [words, cautions]) expect(new Set(list).size).toBe(list.length);
  }
});

test('a word is explained in a sentence that does not end, so that what others call it can follow', () => {
  for (const { means } of Object.values(WORDS)) expect(means).not.toMatch(/\.$/);
});
