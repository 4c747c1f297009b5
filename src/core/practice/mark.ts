import {
  abs,
  compare,
  div,
  fraction,
  inverse,
  mul,
  parseRational,
  sign,
  sub,
  toNumber,
  type Rational,
} from '../rational';
import type { QuestionAnswer, Slip, SlipName } from './question';
import { required } from '../required';

/** What is answered: a number as typed, a choice, or ids of parts. */
export type GivenAnswer = string | readonly string[];

export type Mark =
  | { readonly verdict: 'right' }
  /** Its slip, where a usual one leads to this answer. */
  | { readonly verdict: 'wrong'; readonly slip: SlipName | null }
  /** It cannot be marked, and is asked again. */
  | { readonly verdict: 'unread'; readonly message: string };

/** How much a figure may be off: half a unit of its third significant figure. */
const FIGURES = 3;

/** Marks what is answered. Numbers count to three significant figures; what is no number is not marked. */
export function mark(
  { answer, slips }: { readonly answer: QuestionAnswer; readonly slips: readonly Slip[] },
  given: GivenAnswer,
): Mark {
  if (answer.kind === 'number') return markNumber(required(parseRational(answer.value)), slips, String(given));
  const own = typeof given === 'string' ? given : (answer.kind === 'parts' ? [...given].sort() : given).join();
  const right = typeof answer.value === 'string' ? answer.value : answer.value.join();
  if (own === right) return { verdict: 'right' };
  return { verdict: 'wrong', slip: slips.find(({ value }) => value === own)?.slip ?? null };
}

function markNumber(right: Rational, slips: readonly Slip[], text: string): Mark {
  const given = readSize(text);
  if (typeof given === 'string') return { verdict: 'unread', message: given };
  if (isNear(right, given)) return { verdict: 'right' };
  const near = slips
    .map(({ value, slip }) => ({ slip, value: required(parseRational(value)) }))
    .filter(({ value }) => isNear(value, given))
    .sort((a, b) => compare(abs(sub(a.value, given)), abs(sub(b.value, given))));
  return { verdict: 'wrong', slip: near[0]?.slip ?? null };
}

/**
 * A size as people write it: 4.92, 4,92, 64/13, 4.92 : 1, with its unit behind it. What is wrong with it, as a
 * sentence.
 */
function readSize(text: string): Rational | string {
  const plain = text
    .trim()
    .replace(/\s*:\s*1$/, '')
    .replace(/\s*(turns?|rpm|n·?m)$/i, '')
    .replace(/(\d),(\d)/, '$1.$2')
    .replace(/\s*\/\s*/, '/')
    .replace('−', '-');
  if (/^\d{1,3},\d{3}$/.test(text.trim()))
    return (
      `“${text.trim()}” can be read two ways: write ` +
      `${text.trim().replace(',', '.')} or ${text.trim().replace(',', '')}.`
    );
  if (plain === '') return 'Type a number, a decimal or a fraction such as 64/13.';
  const read = parseRational(plain);
  if (!read) return `“${text.trim()}” is not a number. Type a decimal or a fraction such as 64/13.`;
  if (sign(read) < 0) return 'Give the size without a sign: which way it turns is a question of its own.';
  return read;
}

/** Whether a figure is this one to three significant figures. */
export function isNear(right: Rational, given: Rational): boolean {
  if (sign(right) === 0) return sign(given) === 0;
  const places = Math.floor(Math.log10(toNumber(abs(right)))) - (FIGURES - 1);
  const unit = places >= 0 ? fraction(10 ** places, 1) : inverse(fraction(10 ** -places, 1));
  return compare(mul(abs(sub(right, given)), fraction(2, 1)), unit) <= 0;
}

/** Whether two figures stay apart, each written to three significant figures: more than a hundredth. */
export const areFarApart = (right: Rational, other: Rational): boolean =>
  compare(abs(sub(div(other, right), fraction(1, 1))), fraction(1, 100)) > 0;
