import { toFraction, type Rational } from '../rational';

/** "A", "A and B", "A, B and C". */
export const listed = (names: readonly string[]): string =>
  names.length < 2 ? (names[0] ?? '') : `${names.slice(0, -1).join(', ')} and ${names.at(-1)}`;

/** A text as a sentence: closed with a full stop unless the name at its end brings a mark of its own. */
export const sentence = (text: string): string => (/[.!?…]$/.test(text) ? text : `${text}.`);

/** An exact value in print: "−57/13". */
export const exact = (value: Rational): string => toFraction(value).replace('-', '−');

/** A value inside a sum or product: in brackets where it begins with a sign, printed or typed. */
export const bracketed = (value: string): string => (/^[-−]/.test(value) ? `(${value})` : value);
