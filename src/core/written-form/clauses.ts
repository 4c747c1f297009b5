import type { Cursor } from './cursor';

/** What follows a word after a comma: "module 2" gives { module: 2 }. */
export type Clause<T> = (cursor: Cursor) => T;

type Clauses = Readonly<Record<string, Readonly<Record<string, Clause<object>>>>>;

type Said<C extends Clauses> = {
  readonly [K in keyof C]: C[K] extends Readonly<Record<string, Clause<infer T>>> ? T : never;
};

/**
 * Reads clauses with commas between, up to the end of the statement or to a mark, sorted by what they are about.
 * At the end of a statement they follow a comma, which may have been read already.
 */
export function accepts<const C extends Clauses>(cursor: Cursor, clauses: C, end?: ')'): Said<C> {
  const said: Record<string, object> = Object.fromEntries(Object.keys(clauses).map((about) => [about, {}]));
  const words = Object.values(clauses).flatMap((some) => Object.keys(some));
  const isAtEnd = () => cursor.ended || (end !== undefined && cursor.isMark(end));
  for (let first = true; !isAtEnd(); first = false) {
    const isLed = cursor.skipMark(',') || (first && (end !== undefined || cursor.isAfterComma));
    if (!isLed) cursor.fail('A comma is missing here, or this is too much.');
    const about = Object.keys(clauses).find((one) => cursor.peek(clauses[one] ?? {}) !== undefined);
    if (about === undefined) cursor.unknown(words, 'understood here');
    said[about] = { ...said[about], ...cursor.oneOf(clauses[about] ?? {}, '')(cursor) };
  }
  return said as Said<C>;
}
