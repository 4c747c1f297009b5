import { COUPLER_STYLES, type Coupler } from '../train';
import { accepts, type Clause } from './clauses';
import type { Cursor } from './cursor';
import { readItemOfPair } from './read-row';
import type { CouplerWords, Named, SlidMesh, Span, Statement, WrittenCoupler } from './statement';
import { FRAME_WORDS, LINKS } from './words';

const CLAUSES: Readonly<Record<string, Clause<CouplerWords>>> = {
  ...Object.fromEntries(COUPLER_STYLES.map((style) => [style, () => ({ style })])),
  capacity: (cursor) => ({ capacity: cursor.number('a torque', ['n·m', 'nm']) }),
  station: (cursor) => ({ station: cursor.number('a station') }),
  radius: (cursor) => ({ radius: cursor.number('a radius', ['mm']) }),
  named: (cursor) => ({ shown: cursor.name('the name that is shown').name }),
};

const ONE_WAY_CLAUSES: Readonly<Record<string, Clause<CouplerWords>>> = {
  ...CLAUSES,
  always: () => ({ control: 'always' }),
  selectable: () => ({ control: 'selectable' }),
};

/** "clutch First: first gear with output shaft, dog": what it joins, and then what it is like. */
export function readCoupler(cursor: Cursor, type: Coupler['type']): Omit<Statement & { kind: 'coupler' }, 'place'> {
  const name = cursor.name('the name of the coupler');
  if (!cursor.skipMark(':')) cursor.fail('A “:” is missing behind the name.');
  const coupler: WrittenCoupler =
    type === 'sliding-mesh' ? { type, mesh: readSlid(cursor) } : { type, joins: readJoins(cursor, type) };
  const { words } = accepts(cursor, { words: type === 'one-way' ? ONE_WAY_CLAUSES : CLAUSES });
  return { kind: 'coupler', name, coupler, words };
}

/** A brake's frame may be left out; of a one-way clutch the first member pushes the second. */
function readJoins(cursor: Cursor, type: Exclude<Coupler['type'], 'sliding-mesh'>): readonly [Named, Named] {
  const member = () => cursor.name('the name of a member', (word) => LINKS.some((link) => link === word));
  const first = member();
  if (type === 'one-way') {
    if (!cursor.skip('pushes') && !cursor.skip('drives'))
      cursor.fail(
        'Say what it pushes: write “pushes” and the member, or “frame pushes” the one that cannot turn back.',
      );
    return [first, member()];
  }
  if (cursor.skip('with')) return [first, member()];
  if (type === 'clutch') cursor.fail('A clutch joins two members: write “with” and the second.');
  return [first, { name: [...FRAME_WORDS][0] ?? '', place: first.place, quoted: false }];
}

/** "pair Reverse" by its label or a member's name, or its two gears: "same on idler with same no 2 on countershaft". */
function readSlid(cursor: Cursor): SlidMesh {
  if (cursor.skip('pair')) return { pair: cursor.name('which pair') };
  const first = readItemOfPair(cursor);
  if (!LINKS.some((link) => cursor.skip(link))) cursor.fail('Say which pair slides: write “pair” and its name.');
  return { gears: [first, readItemOfPair(cursor)] };
}

/** "First 0 to 4, Second 8 to 12 mm": where along its travel a sleeve engages each coupler. */
export function readSpans(cursor: Cursor): readonly Span[] {
  if (!cursor.skipMark(':')) cursor.fail('A “:” is missing behind the name.');
  const spans: Span[] = [];
  if (cursor.ended) return spans;
  do {
    const coupler = cursor.name('the name of a coupler', (word, next) => next === 'to' && IS_NUMBER.test(word));
    const from = cursor.number('where it begins, a number of mm', ['mm']);
    cursor.oneOf({ to: true }, 'what goes before where it ends');
    spans.push({ coupler, from, to: cursor.number('where it ends, a number of mm', ['mm']) });
  } while (cursor.skipMark(','));
  return spans;
}

const IS_NUMBER = /^[-+\u2212]?[\d.]/;
