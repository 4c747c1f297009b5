import type { Train } from '../train';

/** What each school of the trade calls a part; the first of each is the word of this program's own texts. */
export const WORD_CHOICES = {
  countershaft: ['countershaft', 'layshaft', 'cluster'],
  ring: ['ring', 'annulus'],
  oneWay: ['one-way clutch', 'freewheel', 'sprag'],
} as const;

/** The words of parts that a person has chosen. */
export type PartWords = { readonly [K in keyof typeof WORD_CHOICES]: (typeof WORD_CHOICES)[K][number] };

export const OWN_WORDS: PartWords = { countershaft: 'countershaft', ring: 'ring', oneWay: 'one-way clutch' };

/** How the own words stand in a text: several forms, the longest first, with the article before them. */
const FORMS: Readonly<Record<keyof PartWords, string>> = {
  countershaft: 'countershafts?',
  ring: 'rings?(?: gears?)?',
  oneWay: 'one-way clutch(?:es)?|one-ways?',
};

const PLURALS: Readonly<Record<string, string>> = { annulus: 'annuli', 'one-way clutch': 'one-way clutches' };

/**
 * A text with the chosen words for parts; names that people gave stay as they are. Plurals, capitals and "a" or "an"
 * follow.
 * @param names what must not be changed, see namesIn
 */
export function inWords(text: string, words: PartWords, names: readonly string[] = []): string {
  if (isOwn(words)) return text;
  const kept = names.filter((name) => ANY.test(name));
  if (kept.length === 0) return changed(text, words);
  const longestFirst = [...kept].sort((a, b) => b.length - a.length).map(escaped);
  const named = new RegExp(`(?<![\\w-])(${longestFirst.join('|')})(?![\\w-])`, 'i');
  // Every second piece is a name.
  return text
    .split(named)
    .map((piece, i) => (i % 2 === 1 ? piece : changed(piece, words)))
    .join('');
}

/** The same with the words of every school as this program's own texts have them, so that each is found. */
export function inOwnWords(text: string): string {
  return KEYS.reduce((told, key) => {
    const others = WORD_CHOICES[key].slice(1).flatMap((word) => [PLURALS[word] ?? `${word}s`, word]);
    return told.replace(new RegExp(`\\b(?:${others.map(escaped).join('|')})\\b`, 'gi'), OWN_WORDS[key]);
  }, text);
}

const known = new WeakMap<Train, readonly string[]>();

/** The names of a document, that its people gave; the same list for the same document. */
export function namesIn(train: Train): readonly string[] {
  const parts = [...train.members, ...train.couplers, ...train.positions, ...(train.selectors ?? [])];
  const names = known.get(train) ?? [train.name, ...parts.map(({ name }) => name)];
  known.set(train, names);
  return names;
}

const KEYS = Object.keys(FORMS) as (keyof PartWords)[];
const isOwn = (words: PartWords): boolean => KEYS.every((key) => words[key] === OWN_WORDS[key]);
const all = KEYS.map((key) => FORMS[key]).join('|');
/** A name with such a word in it. */
const ANY = new RegExp(`\\b(?:${all})\\b`, 'i');
const escaped = (text: string): string => text.replace(/[.*+?^${}()|[\]\\]/g, '\\$&');

const changed = (text: string, words: PartWords): string =>
  KEYS.reduce((told, key) => (words[key] === OWN_WORDS[key] ? told : withWord(told, key, words[key])), text);

function withWord(text: string, key: keyof PartWords, word: string): string {
  // "Sprag-type" and "ring-shaped" are words of their own; so is what stands in an id.
  const found = new RegExp(`(?<![\\w-])(?:(an?)( ))?(${FORMS[key]})(?![\\w-])`, 'gi');
  return text.replace(found, (_, article: string | undefined, gap: string | undefined, own: string) => {
    const plural = /s$/i.test(own) && !/clutch$/i.test(own);
    const told = like(own, plural ? (PLURALS[word] ?? `${word}s`) : word);
    return article === undefined ? told : `${like(article, /^[aeiou]/i.test(told) ? 'an' : 'a')}${gap ?? ''}${told}`;
  });
}

/** The same capitals at the beginning. */
const like = (own: string, text: string): string =>
  /^[A-Z]/.test(own) ? text.slice(0, 1).toUpperCase() + text.slice(1) : text;
