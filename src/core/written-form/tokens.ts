import { Misread, type Place } from './place';

/** A word as it stands, a text in quotes, or one of the marks , : ( ) */
export interface Token {
  readonly kind: 'word' | 'quoted' | 'mark';
  readonly text: string;
  readonly place: Place;
}

/** A line of a text, and where it begins in it. */
export interface Line {
  readonly text: string;
  readonly number: number;
  readonly from: number;
}

/** The lines of a text, however they end. */
export function* linesOf(text: string): Generator<Line> {
  let from = 0;
  let number = 1;
  for (const end of text.matchAll(/\r\n|\n|\r|$/g)) {
    yield { text: text.slice(from, end.index), number, from };
    from = end.index + end[0].length;
    number++;
  }
}

const BLANK = /[\s\uFEFF]+/y;
const MARK = /[,:()]/y;
const QUOTED = /"(?:[^"\\]|\\.)*"/y;
/** As a word processor writes quotes; nothing is escaped in them. */
const CURLY = /[“”„][^“”]*[“”]/y;
const WORD = /[^\s\uFEFF,:()"“”]+/y;

/** The tokens of a line, up to a remark. @throws Misread at a quote that is not closed */
export function tokensOf({ text, number, from: start }: Line): Token[] {
  const tokens: Token[] = [];
  let at = 0;
  const place = (from: number, to: number): Place => ({
    from: start + from,
    to: start + to,
    line: number,
    column: from + 1,
  });
  const take = (pattern: RegExp): string | null => {
    pattern.lastIndex = at;
    const found = pattern.exec(text)?.[0];
    if (found === undefined || found === '') return null;
    at += found.length;
    return found;
  };
  while (at < text.length) {
    if (take(BLANK) !== null) continue;
    if (text.charAt(at) === '#') break;
    const from = at;
    const add = (kind: Token['kind'], said: string) => void tokens.push({ kind, text: said, place: place(from, at) });
    const mark = take(MARK);
    if (mark !== null) {
      add('mark', mark);
      continue;
    }
    const quoted = take(QUOTED);
    if (quoted !== null) {
      add('quoted', unquoted(quoted, place(from, at)));
      continue;
    }
    const curly = take(CURLY);
    if (curly !== null) {
      add('quoted', curly.slice(1, -1));
      continue;
    }
    const word = take(WORD);
    if (word === null) throw new Misread('This quote is not closed on its line.', place(at, text.length));
    add('word', word);
  }
  return tokens;
}

function unquoted(quoted: string, place: Place): string {
  try {
    return JSON.parse(quoted.replaceAll('\t', '\\t')) as string;
  } catch {
    throw new Misread('In quotes, \\ stands before " and \\ alone, or for a character as in \\n or \\u00e9.', place);
  }
}
