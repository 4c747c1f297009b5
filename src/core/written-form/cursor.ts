import { itemAt } from '../required';
import { nearest } from './nearest';
import { Misread, through, type Place } from './place';
import type { Named } from './statement';
import type { Token } from './tokens';

/** Walks along the tokens of one statement; where they are not what is asked for, it says so and where. */
export class Cursor {
  private at = 0;

  constructor(
    private readonly tokens: readonly Token[],
    /** The whole line as it stands, up to a remark. */
    readonly place: Place,
  ) {}

  get ended(): boolean {
    return this.at >= this.tokens.length;
  }

  /** The place of what comes next; behind the end, that of the last token. */
  get here(): Place {
    return (this.tokens[this.at] ?? itemAt(this.tokens, -1)).place;
  }

  get last(): Place {
    return itemAt(this.tokens, Math.max(0, this.at - 1)).place;
  }

  /** Do these words come next? In small letters; words in quotes never do. */
  isAt(words: string): boolean {
    if (!words.includes(' ')) return this.isWord(words, 0);
    return words.split(' ').every((word, i) => this.isWord(word, i));
  }

  private isWord(word: string, ahead: number): boolean {
    const token = this.tokens[this.at + ahead];
    return token?.kind === 'word' && token.text.toLowerCase() === word;
  }

  /** Steps over these words where they come next. */
  skip(words: string): boolean {
    if (!this.isAt(words)) return false;
    this.at += words.split(' ').length;
    return true;
  }

  isMark(mark: string): boolean {
    const token = this.tokens[this.at];
    return token?.kind === 'mark' && token.text === mark;
  }

  skipMark(mark: string): boolean {
    if (!this.isMark(mark)) return false;
    this.at++;
    return true;
  }

  /** The next word as it stands, where there is one and it is like this. */
  matching(pattern: RegExp): RegExpExecArray | null {
    const token = this.tokens[this.at];
    const found = token?.kind === 'word' ? pattern.exec(token.text) : null;
    if (found) this.at++;
    return found;
  }

  /** Is the next word like this? */
  isLike(pattern: RegExp): boolean {
    const token = this.tokens[this.at];
    return token?.kind === 'word' && pattern.test(token.text);
  }

  /** Was the last thing that was read a comma? */
  get isAfterComma(): boolean {
    const before = this.tokens[this.at - 1];
    return before?.kind === 'mark' && before.text === ',';
  }

  /** Is there but one text in quotes left? */
  get isQuotedToTheEnd(): boolean {
    return this.tokens[this.at]?.kind === 'quoted' && this.at === this.tokens.length - 1;
  }

  /** Does one of these words follow the comma that comes next? */
  isClause(words: Readonly<Record<string, unknown>>): boolean {
    this.at++;
    const found = this.longestOf(words) !== undefined;
    this.at--;
    return found;
  }

  /** Was the last number in per cent? */
  get isPercent(): boolean {
    return this.tokens[this.at - 1]?.text.endsWith('%') === true;
  }

  /** Is there such a mark further on in the statement? */
  hasMark(mark: string): boolean {
    return this.tokens.slice(this.at).some(({ kind, text }) => kind === 'mark' && text === mark);
  }

  /**
   * A name: a text in quotes, or all words up to a mark, or to one of these.
   * @param what it names, for the sentence that asks for it
   */
  name(what: string, isEnd: (word: string, next: string | undefined) => boolean = () => false): Named {
    const first = this.tokens[this.at];
    if (first?.kind === 'quoted') {
      this.at++;
      return { name: first.text, place: first.place, quoted: true };
    }
    const words: Token[] = [];
    for (let token = first; token?.kind === 'word'; token = this.tokens[this.at]) {
      if (isEnd(token.text.toLowerCase(), this.tokens[this.at + 1]?.text.toLowerCase())) break;
      words.push(token);
      this.at++;
    }
    if (words.length === 0) this.fail(`Give ${what} here.`);
    return {
      name: words.map(({ text }) => text).join(' '),
      place: through(itemAt(words, 0).place, itemAt(words, -1).place),
      quoted: false,
    };
  }

  /** A number, with or without one of these units behind it. */
  number(what: string, units: readonly string[] = []): number {
    const token = this.tokens[this.at];
    const [, figure, own] = token?.kind === 'word' ? (NUMBER.exec(token.text) ?? []) : [];
    const value = Number(figure?.replace('\u2212', '-'));
    const isUnit = own === undefined || own === '' || units.includes(own.toLowerCase());
    if (figure === undefined || !Number.isFinite(value) || (!isUnit && units.length === 0))
      this.fail(token ? `“${token.text}” is not ${what}.` : `Give ${what} here.`);
    this.at++;
    if (!isUnit) throw new Misread(`This is ${what}, in ${itemAt(units, 0)}.`, this.last);
    if (own === undefined || own === '') units.some((unit) => this.skip(unit));
    return value;
  }

  /** One of these words, several for one; what comes instead is refused with the nearest of them. */
  oneOf<T>(words: Readonly<Record<string, T>>, what: string): T {
    const found = this.maybeOneOf(words);
    if (found === undefined) this.unknown(Object.keys(words), what);
    return found;
  }

  /** One of these, the longest that fits; undefined where none comes next. */
  maybeOneOf<T>(words: Readonly<Record<string, T>>): T | undefined {
    const fitting = this.longestOf(words);
    if (fitting === undefined) return undefined;
    this.skip(fitting);
    return words[fitting];
  }

  /** The same, without a step. */
  peek<T>(words: Readonly<Record<string, T>>): T | undefined {
    const fitting = this.longestOf(words);
    return fitting === undefined ? undefined : words[fitting];
  }

  private longestOf(words: Readonly<Record<string, unknown>>): string | undefined {
    const token = this.tokens[this.at];
    if (token?.kind !== 'word') return undefined;
    return byFirstWord(words)
      .get(token.text.toLowerCase())
      ?.find((word) => this.isAt(word));
  }

  /** Refuses what comes next: it is none of these words. */
  unknown(words: readonly string[], what: string): never {
    if (this.ended) this.fail(`Give ${what} here.`);
    const token = itemAt(this.tokens, this.at);
    const near = nearest(token.text.toLowerCase(), words);
    this.fail(
      near === null
        ? `“${token.text}” is not ${what}: there ${words.length === 1 ? 'is' : 'are'} ${someOf(words)}.`
        : `“${token.text}” is not ${what}. Did you mean “${near}”?`,
    );
  }

  /** Everything up to the end of the statement is read, or this says what is too much. */
  end(): void {
    if (!this.ended) this.fail(`“${itemAt(this.tokens, this.at).text}” is not understood here.`);
  }

  /** @throws Misread at what was read last */
  failBefore(message: string): never {
    throw new Misread(message, this.last);
  }

  /** @throws Misread at what comes next, or at the end of what there is */
  fail(message: string): never {
    const { here } = this;
    throw new Misread(
      message,
      this.ended ? { ...here, from: here.to, column: here.column + here.to - here.from } : here,
    );
  }
}

const NUMBER = /^([+\-\u2212]?(?:\d+(?:\.\d*)?|\.\d+)(?:e[+-]?\d+)?)(%|[^\d.].*)?$/i;

const firstWords = new WeakMap<object, ReadonlyMap<string, readonly string[]>>();

/** Phrases by their first word, the longest first; sorted once for each table of them. */
function byFirstWord(words: Readonly<Record<string, unknown>>): ReadonlyMap<string, readonly string[]> {
  const known = firstWords.get(words);
  if (known) return known;
  const sorted = new Map<string, string[]>();
  for (const phrase of Object.keys(words).sort((a, b) => b.length - a.length)) {
    const [first = ''] = phrase.split(' ');
    sorted.set(first, [...(sorted.get(first) ?? []), phrase]);
  }
  firstWords.set(words, sorted);
  return sorted;
}

const MOST_TOLD = 12;

const someOf = (words: readonly string[]): string =>
  words.length > MOST_TOLD ? `${words.slice(0, MOST_TOLD).join(', ')} and more` : words.join(', ');
