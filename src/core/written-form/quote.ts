import { COPIES, FIGURE_WORDS, FRAME_WORDS, LINKS, NO_LADDER, NOTHING } from './words';

/** Words that mean something between names, or where one could begin; a name with one of them stands in quotes. */
const RESERVED: ReadonlySet<string> = new Set([
  ...LINKS,
  ...FIGURE_WORDS,
  '+',
  '=',
  'and',
  'named',
  'colour',
  'color',
  'to',
]);
/** What would be taken for something else where a name begins. */
const LEADING: ReadonlySet<string> = new Set(['on', 'same', 'pair', 'clutch', 'carried', 'bearings']);

/** Letters and figures with blanks between; whatever else may mean something. */
const PLAIN = /^[\p{L}\p{N}][\p{L}\p{M}\p{N}.+&'’*/_-]*(?: [\p{L}\p{M}\p{N}.+&'’*/_-]+)*$/u;

/** A name as it stands in a text: bare where it reads back as itself, else in quotes. */
export function quote(name: string): string {
  const small = name.toLowerCase();
  const words = small.split(' ');
  const bare =
    PLAIN.test(name) &&
    !FRAME_WORDS.has(small) &&
    words[0] !== NOTHING &&
    !small.startsWith(NO_LADDER) &&
    !LEADING.has(words[0] ?? '') &&
    !words.some((word) => COPIES.test(word) || RESERVED.has(word));
  return bare ? name : JSON.stringify(name);
}
