import { parseRational } from '@/core/rational';
import { required } from '@/core/required';
import type { GivenSet, SchemeQuestion } from '@/core/schemes';

export const simpleSet = (id: string, sun: number, ring: number): GivenSet => ({ id, kind: 'simple', sun, ring });

/** What is asked of schemes: these sets, these forward ratios, and a reverse, where nothing else is said. */
export const schemeQuestion = (
  sets: SchemeQuestion['sets'],
  forward: readonly string[],
  more: Partial<SchemeQuestion> = {},
) =>
  ({
    sets,
    forward: forward.map((text) => required(parseRational(text))),
    tolerance: 0.06,
    reverse: 'any',
    atMost: 5,
    brakes: null,
    clutches: null,
    engaged: null,
    single: 'any',
    input: null,
    output: null,
    limits: {},
    limit: 100_000,
    ...more,
  }) satisfies SchemeQuestion;
