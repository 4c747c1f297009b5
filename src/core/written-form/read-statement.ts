import { itemAt, required } from '../required';
import { MATERIALS, TRAIN_FIGURES, type Material, type TrainFigure } from '../train';
import { accepts, type Clause } from './clauses';
import { Cursor } from './cursor';
import { through, type Place } from './place';
import { readCoupler, readSpans } from './read-coupler';
import { readGear, readPair, readSet, share, unitsOf } from './read-row';
import type { MemberWords, Named, Statement } from './statement';
import { tokensOf, type Line } from './tokens';
import { COPIES, FIRST_WORDS, NO_LADDER, NOTHING, type Kind } from './words';

/** The statement of a line; null of a line with nothing but a remark. @throws Misread where it does not read */
export function readStatement(line: Line): Statement | null {
  const tokens = tokensOf(line);
  if (tokens.length === 0) return null;
  const place = through(itemAt(tokens, 0).place, itemAt(tokens, -1).place);
  const cursor = new Cursor(tokens, place);
  const kind = kindOf(cursor);
  if (kind === 'note') return { kind, place, text: readNote(cursor, line) };
  const statement = { place, ...READERS[kind](cursor, place) } as Statement;
  cursor.end();
  return statement;
}

function kindOf(cursor: Cursor): Kind {
  const kind = cursor.maybeOneOf(FIRST_WORDS);
  if (kind !== undefined) return kind;
  cursor.unknown(Object.keys(FIRST_WORDS), 'the beginning of a statement');
}

type WithoutPlace<S> = S extends unknown ? Omit<S, 'place'> : never;
type Reader = (cursor: Cursor, place: Place) => WithoutPlace<Statement>;

const row = (read: (cursor: Cursor) => (Statement & { kind: 'row' })['row']): Reader => {
  return (cursor) => ({ kind: 'row', row: read(cursor) });
};

const READERS: Readonly<Record<Exclude<Kind, 'note'>, Reader>> = {
  train: (cursor) => ({ kind: 'train', name: afterColon(cursor).name('the name of the train').name }),
  input: (cursor) => {
    const [member, ...others] = names(afterColon(cursor), 'the member that power comes in by');
    return { kind: 'input', member: required(member), others };
  },
  output: (cursor) => ({ kind: 'output', members: names(afterColon(cursor), 'the member that power goes out by') }),
  member: (cursor) => ({ kind: 'member', members: readMembers(cursor) }),
  gear: row(readGear),
  set: row(readSet),
  pair: row((cursor) => readPair(cursor, 'pair')),
  bevel: row((cursor) => readPair(cursor, 'bevel')),
  worm: row((cursor) => readPair(cursor, 'worm')),
  chain: row((cursor) => readPair(cursor, 'chain')),
  belt: row((cursor) => readPair(cursor, 'belt')),
  brake: (cursor) => readCoupler(cursor, 'brake'),
  clutch: (cursor) => readCoupler(cursor, 'clutch'),
  'one-way': (cursor) => readCoupler(cursor, 'one-way'),
  slide: (cursor) => readCoupler(cursor, 'sliding-mesh'),
  sleeve: (cursor) => {
    const name = cursor.name('the name of the sleeve');
    return { kind: 'sleeve', name, spans: readSpans(cursor) };
  },
  position: readPosition,
  efficiency: (cursor) => ({ kind: 'figure', of: 'efficiency', value: share(afterColon(cursor)) }),
  ...figureReaders(),
  'tip speed': (cursor) => ({ kind: 'tip speed', ...ofMaterial(cursor, 'a speed', 'm/s') }),
  elasticity: (cursor) => ({ kind: 'elasticity', ...ofMaterial(cursor, 'a modulus of elasticity', 'n/mm²') }),
  'set aside': (cursor) => {
    const finding = cursor.name('the name of the finding, in quotes').name;
    return {
      kind: 'set aside',
      finding,
      note: cursor.skipMark(':') && !cursor.ended ? cursor.name('a note').name : '',
    };
  },
};

/** "pressure angle 20", "backlash 0.1 mm": what is said of all gears in one figure. */
function figureReaders(): Record<TrainFigure, Reader> {
  return Object.fromEntries(
    TRAIN_FIGURES.map(({ key, word, ...more }): readonly [TrainFigure, Reader] => [
      key,
      (cursor) => ({ kind: 'figure', of: key, value: afterColon(cursor).number(`the ${word}`, unitsOf(more)) }),
    ]),
  ) as Record<TrainFigure, Reader>;
}

function ofMaterial(cursor: Cursor, what: string, unit: string): { readonly material: Material; value: number } {
  const materials = Object.fromEntries(MATERIALS.map((material) => [material, material]));
  const material = afterColon(cursor).oneOf(materials, 'a material');
  return { material, value: cursor.number(what, [unit]) };
}

function afterColon(cursor: Cursor): Cursor {
  cursor.skipMark(':');
  return cursor;
}

function names(cursor: Cursor, what: string): Named[] {
  const found = [cursor.name(what)];
  while (cursor.skipMark(',')) found.push(cursor.name(what));
  return found;
}

const MEMBER_CLAUSES: Readonly<Record<string, Clause<Partial<Omit<MemberWords, 'name'>>>>> = {
  limit: (cursor) => ({ limit: cursor.number('a torque', ['n·m', 'nm']) }),
  colour: (cursor) => ({ color: readColor(cursor) }),
  color: (cursor) => ({ color: readColor(cursor) }),
  'carried by': (cursor) => ({ carrier: cursor.name('the member that carries it') }),
  copies: (cursor) => ({ copies: cursor.number('a number of planets') }),
  bearings: (cursor) => {
    const first = cursor.number('a place along the axis', ['mm']);
    cursor.oneOf({ and: true }, 'what goes before the second bearing');
    return { bearings: [first, cursor.number('a place along the axis', ['mm'])] };
  },
  named: (cursor) => ({ shown: cursor.name('the name that is shown').name }),
};

function readColor(cursor: Cursor): string {
  const found = cursor.matching(/^[0-9a-f]{6}$/i);
  if (!found) cursor.fail('A colour is six digits from 0 to f, such as 1a2b3c.');
  return `#${found[0]}`;
}

/** "members: input shaft, countershaft" names several; "member planet, carried by arm, copies 3" says more of one. */
function readMembers(cursor: Cursor): readonly MemberWords[] {
  cursor.skipMark(':');
  const unsaid = { shown: null, carrier: null, copies: null, color: null, limit: null, bearings: null };
  const found: MemberWords[] = [{ ...unsaid, name: cursor.name('the name of a member', COPIES.test.bind(COPIES)) }];
  const copies = cursor.matching(COPIES);
  const isNext = () => cursor.isMark(',') && !cursor.isClause(MEMBER_CLAUSES);
  while (isNext() && cursor.skipMark(',')) found.push({ ...unsaid, name: cursor.name('the name of a member') });
  const { said } = accepts(cursor, { said: MEMBER_CLAUSES });
  const last = itemAt(found, -1);
  const words = { ...last, ...(copies && { copies: Number(copies[1]) }), ...said };
  return [...found.slice(0, -1), words];
}

/** "position 2: First, Front"; "position park: nothing"; "position 1+: First, Hold, not in the ladder". */
function readPosition(cursor: Cursor): WithoutPlace<Statement> {
  const { name } = cursor.name('the name of the position', (word) => word === '=');
  if (!cursor.skipMark(':') && !cursor.skip('=')) cursor.fail('A “:” is missing here.');
  const engaged: Named[] = [];
  let ladder = true;
  if (!cursor.ended)
    do {
      if (cursor.skip(NO_LADDER)) ladder = false;
      else if (!cursor.skip(NOTHING))
        engaged.push(cursor.name('the name of a coupler', (word) => word === '+' || word === 'and'));
    } while (cursor.skipMark(',') || cursor.skip('+') || cursor.skip('and'));
  return { kind: 'position', name, engaged, ladder };
}

/** What stands behind "note", as it is; in quotes what would read as something else. */
function readNote(cursor: Cursor, line: Line): string {
  cursor.skipMark(':');
  if (cursor.ended) return '';
  if (cursor.isQuotedToTheEnd) return cursor.name('a note').name;
  const from = cursor.here.from - line.from;
  return line.text.slice(from, cursor.place.to - line.from);
}
