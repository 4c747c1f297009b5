import { toNumber } from '../rational';
import type { SchemeQuestion } from './question';
import { UNWATCHED, type SchemeWatch } from './result';
import { searchSchemes } from './search';

/** One part of a wish left out or made wider, and how many schemes there are then. */
export interface Relaxed {
  readonly says: string;
  readonly question: SchemeQuestion;
  readonly schemes: number;
  /** All of them were counted. */
  readonly whole: boolean;
}

/** A wish with one part of it left out or made wider, each in turn. */
export function relaxations(question: SchemeQuestion): readonly Pick<Relaxed, 'says' | 'question'>[] {
  const { reverse, single, tolerance, atMost, brakes, clutches, input, output, limits, forward, engaged } = question;
  const percent = (part: number) => `${Number((100 * part).toPrecision(3))} %`;
  const made: Pick<Relaxed, 'says' | 'question'>[] = [];
  const without = (says: string, change: Partial<SchemeQuestion>) =>
    made.push({ says, question: { ...question, ...change } });
  if (reverse !== 'none') without('without the reverse', { reverse: 'none' });
  if (typeof reverse !== 'string') without('with a reverse of any size', { reverse: 'any' });
  if (single === 'required') without('with more than one change a shift', { single: 'any' });
  without(`within ${percent(2 * tolerance)}`, { tolerance: 2 * tolerance });
  without(`with ${atMost + 1} elements`, { atMost: atMost + 1 });
  if (brakes !== null) without('with any number of brakes', { brakes: null });
  if (clutches !== null) without('with any number of clutches', { clutches: null });
  if (engaged !== null) without('with any number engaged', { engaged: null });
  if (input !== null) without('with any input', { input: null });
  if (output !== null) without('with any output', { output: null });
  for (const [key, says] of Object.entries(LIMIT_WORDS))
    if (limits[key as keyof typeof limits] !== undefined)
      without(`without the limit of ${says}`, { limits: { ...limits, [key]: undefined } });
  if (forward.length > 1)
    forward.forEach((ratio, i) =>
      without(`without ${Number(toNumber(ratio).toPrecision(4))}`, { forward: forward.filter((_, k) => k !== i) }),
    );
  return made;
}

const LIMIT_WORDS = {
  memberSpeed: 'member speed',
  planetSpeed: 'planet speed',
  elementTorque: 'element torque',
  recirculation: 'recirculated power',
  efficiency: 'efficiency',
  nested: 'nesting',
} as const;

/**
 * Which part of a wish excludes most: each left out in turn, and how many schemes there are then; most first.
 * @param tell is given what is known so far
 */
export function whyNone(
  question: SchemeQuestion,
  watch: Pick<SchemeWatch, 'over'> = UNWATCHED,
  tell: (so: readonly Relaxed[]) => void = () => undefined,
): readonly Relaxed[] {
  const done: Relaxed[] = [];
  for (const { says, question: relaxed } of relaxations(question)) {
    if (watch.over()) break;
    const { schemes, proven } = searchSchemes({ ...relaxed, limit: 1 }, { ...UNWATCHED, over: watch.over });
    done.push({ says, question: relaxed, schemes, whole: proven });
    tell(sorted(done));
  }
  return sorted(done);
}

const sorted = (all: readonly Relaxed[]): readonly Relaxed[] => [...all].sort((a, b) => b.schemes - a.schemes);
