import { HighlightStyle, StreamLanguage, syntaxHighlighting } from '@codemirror/language';
import { tags } from '@lezer/highlight';
import { BEGINNINGS, LEADS, LINKING } from '@/core/written-form';

interface Here {
  /** What may come: the first words of a statement; a word that leads an item; names and what links them; a note. */
  at: 'beginning' | 'item' | 'within' | 'note';
}

/** Colours of a train in writing: what begins a statement, what links names, counts, names in quotes, remarks. */
const written = StreamLanguage.define<Here>({
  startState: () => ({ at: 'beginning' }),
  token(stream, state) {
    if (stream.sol()) state.at = 'beginning';
    if (stream.eatSpace()) return null;
    if (stream.match(/^#.*/)) return 'comment';
    if (stream.match(/^"(?:[^"\\]|\\.)*"?/)) return 'string';
    if (stream.match(/^[,:()]/)) {
      state.at = state.at === 'note' ? 'note' : 'item';
      return null;
    }
    const word = (stream.match(/^[^\s,:()"]+/) as RegExpMatchArray | null)?.[0] ?? stream.next() ?? '';
    const small = word.toLowerCase();
    const { at } = state;
    if (at === 'note') return null;
    if (at === 'beginning') {
      state.at = /^notes?$/.test(small) ? 'note' : 'within';
      return BEGINNINGS.some((phrase) => phrase.split(' ').includes(small)) ? 'keyword' : null;
    }
    const links = LINKING.includes(small);
    state.at = links ? 'item' : 'within';
    if (/^[x×]?[-+]?\d[\d./]*%?$/.test(word)) return 'number';
    // “Sun brake” is a name, “sun 40” a part of a set.
    const leads = at === 'item' && LEADS.includes(small) && stream.match(/^\s+(?:\d|same|on\b|way\b)/, false) !== null;
    return links || leads ? 'operator' : null;
  },
});

const colors = HighlightStyle.define([
  { tag: tags.keyword, fontWeight: '600' },
  { tag: tags.operator, color: 'var(--muted)' },
  { tag: tags.number, color: 'var(--color-accent)' },
  { tag: tags.comment, color: 'var(--muted)', fontStyle: 'italic' },
]);

export const writtenLanguage = [written, syntaxHighlighting(colors)];
