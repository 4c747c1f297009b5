import { GEAR_FIGURES, GEAR_SIZES, MATERIALS, type GearType, type Material } from '../train';
import { accepts, type Clause } from './clauses';
import type { Cursor } from './cursor';
import { through } from './place';
import type { GearPhrase, GearWords, MeshWords, Named, Row, RowItem } from './statement';
import { COPIES, FIGURE_WORDS, GEAR_TYPES, LINKS, ROLES, USUAL_TYPES, type GearKind } from './words';

const GEAR_CLAUSES: Readonly<Record<string, Clause<GearWords>>> = {
  ...Object.fromEntries(
    GEAR_FIGURES.flatMap(({ key, word, ...more }) => {
      const says = 'says' in more ? more.says : word;
      const read: Clause<GearWords> = (cursor) => ({ [key]: cursor.number(`a ${says}`, unitsOf(more)) });
      return [...new Set([word, says])].map((one) => [one, read] as const);
    }),
  ),
  ...Object.fromEntries(
    GEAR_SIZES.map(({ key, first, second }): readonly [string, Clause<GearWords>] => [
      key,
      (cursor) => {
        const one = cursor.number(`its ${first}`, ['mm']);
        cursor.oneOf({ by: true }, `what goes before its ${second}`);
        return { [key]: { [first]: one, [second]: cursor.number(`its ${second}`, ['mm']) } };
      },
    ]),
  ),
  herringbone: () => ({ herringbone: true }),
  'not herringbone': () => ({ herringbone: false }),
  ...Object.fromEntries(MATERIALS.map((material: Material) => [material, () => ({ material })])),
};

const MESH_CLAUSES: Readonly<Record<string, Clause<MeshWords>>> = {
  'same way': () => ({ sense: 'same' }),
  opposite: () => ({ sense: 'opposite' }),
  efficiency: (cursor) => ({ efficiency: share(cursor) }),
  'back efficiency': (cursor) => ({ backEfficiency: share(cursor) }),
  'self-locking': () => ({ selfLocking: true }),
  'not self-locking': () => ({ selfLocking: false }),
  centre: (cursor) => ({ centre: cursor.number('a centre distance', ['mm']) }),
  'centre distance': (cursor) => ({ centre: cursor.number('a centre distance', ['mm']) }),
};

/** How a figure's unit may be written behind it. */
export const unitsOf = ({ unit }: { readonly unit?: 'mm' | '°'; readonly says?: string }): readonly string[] =>
  unit === undefined ? [] : unit === 'mm' ? ['mm'] : ['°', 'degrees'];

const BOTH = { gearWords: GEAR_CLAUSES, meshWords: MESH_CLAUSES };
const MESH_ONLY = { meshWords: MESH_CLAUSES };

/** An efficiency, as a part of 1 or in per cent. */
export function share(cursor: Cursor): number {
  const value = cursor.number('an efficiency', ['%']);
  return cursor.isPercent ? value / 100 : value;
}

/** A gear with nothing beside it: "gear: 36 on countershaft, module 2". */
export function readGear(cursor: Cursor): Row {
  cursor.skipMark(':');
  const item = readItem(cursor, 'gear', 0);
  return finish(cursor, { label: null, items: [item], carrier: null });
}

/** "pair First: 13 on countershaft drives 38 on first gear, module 2": gears that mesh one after the other. */
export function readPair(cursor: Cursor, kind: GearKind): Row {
  const label = readLabel(cursor);
  const items = [readItem(cursor, kind, 0)];
  while (LINKS.some((link) => cursor.skip(link))) items.push(readItem(cursor, kind, items.length));
  if (items.length === 1)
    cursor.fail('A second gear is missing: write “drives”, its tooth count, “on” and its member.');
  return finish(cursor, { label, items, carrier: null });
}

/** "set: sun 40 on sun, planet 20 on planet x3, ring 80 on ring, carrier on carrier": the carrier stands anywhere. */
export function readSet(cursor: Cursor): Row {
  const label = readLabel(cursor);
  const items: RowItem[] = [];
  let carrier: Named | null = null;
  do {
    const role = cursor.peek(ROLES);
    if (role === undefined) {
      if (items.length > 0) break;
      cursor.unknown(['sun', 'planet', 'ring', 'carrier'], 'a part of a set');
    }
    if (role === 'carrier') {
      cursor.maybeOneOf(ROLES);
      cursor.skip('on');
      carrier = cursor.name('the member that is the carrier');
    } else items.push(readItem(cursor, 'set', items.length));
  } while (cursor.skipMark(','));
  return finish(cursor, { label, items: inRow(items, cursor), carrier });
}

/** What a statement of gears is called, so that a sliding mesh can name it. */
function readLabel(cursor: Cursor): Named | null {
  if (cursor.skipMark(':')) return null;
  if (!cursor.hasMark(':')) return null;
  const label = cursor.name('a name');
  if (!cursor.skipMark(':')) cursor.fail('A “:” is missing here.');
  return label;
}

/** Planets that were given after both suns or rings stand between them, and so do some that were not given at all. */
function inRow(items: readonly RowItem[], cursor: Cursor): readonly RowItem[] {
  const central = items.filter(({ role }) => role !== 'planet');
  const planets = items.filter(({ role }) => role === 'planet');
  const [first, second, third] = central;
  if (!first || !second || third || !items.some((item, i) => item === first && items[i + 1] === second)) return items;
  const { place } = cursor;
  const unsaid: RowItem = {
    role: 'planet',
    gears: [{ same: false, teeth: null, type: 'external', member: null, words: {}, place }],
    copies: null,
    meshWords: {},
    place,
  };
  return [first, ...(planets.length > 0 ? planets : [unsaid]), second];
}

/** One of the two gears by which a pair is told. */
export const readItemOfPair = (cursor: Cursor): GearPhrase => readItem(cursor, 'pair', 1).gears[0];

/** A gear, or a stepped planet: "13 on countershaft", "ring 80 on ring", "planet 18/36 on planet x3", "same on arm". */
function readItem(cursor: Cursor, kind: GearKind, nth: number): RowItem {
  const start = cursor.here;
  const said = cursor.maybeOneOf(ROLES);
  if (said === 'carrier') cursor.fail('A carrier has no teeth here: it is named in a set.');
  const role = said ?? null;
  const usual: GearType = role === 'ring' ? 'internal' : USUAL_TYPES[kind][nth === 0 ? 0 : 1];
  if (cursor.skip('same')) {
    const number = cursor.skip('no') ? cursor.number('a number') : null;
    cursor.oneOf({ on: true }, 'what goes before the member');
    const member = memberName(cursor);
    const gear: GearPhrase = { same: true, nth: number, member, place: through(start, member.place) };
    const copies = readCopies(cursor);
    const { meshWords } = readWords(cursor, MESH_ONLY);
    return { role, gears: [gear], copies, meshWords, place: gear.place };
  }
  const counts = readCounts(cursor, role === 'planet', role === 'planet' || kind === 'gear');
  const type = cursor.maybeOneOf(GEAR_TYPES) ?? usual;
  let copies = readCopies(cursor);
  const member = cursor.skip('on') ? memberName(cursor) : null;
  if (member === null && role !== 'planet') cursor.fail('Say which member it is on: write “on” and the member’s name.');
  copies ??= readCopies(cursor);
  const { gearWords: words, meshWords } = readWords(cursor, BOTH);
  copies ??= readCopies(cursor);
  const place = through(start, cursor.last);
  const [first, ...others] = counts.map((teeth): GearPhrase => ({ same: false, teeth, type, member, words, place }));
  return { role, gears: [first as GearPhrase, ...others], copies, meshWords, place };
}

/** "20", "18/36" of a stepped planet; null where a planet's count is left out. */
function readCounts(cursor: Cursor, isPlanet: boolean, mayBeSeveral = isPlanet): readonly (number | null)[] {
  const found = cursor.matching(/^\d+(?:\/\d+)*$/);
  if (found) {
    const counts = found[0].split('/').map(Number);
    if (counts.length > 1 && !mayBeSeveral) cursor.failBefore('Only a planet has several gears in a set.');
    return counts;
  }
  if (isPlanet && (cursor.ended || cursor.isMark(',') || cursor.isAt('on') || cursor.isLike(COPIES))) return [null];
  cursor.number('a tooth count, a whole number');
  cursor.failBefore('A tooth count is a whole number.');
}

function readCopies(cursor: Cursor): number | null {
  const found = cursor.matching(COPIES);
  return found ? Number(found[1]) : null;
}

function memberName(cursor: Cursor): Named {
  const isEnd = (word: string) => LINKS.some((link) => link === word) || COPIES.test(word) || FIGURE_WORDS.has(word);
  const named = cursor.name('the name of a member', isEnd);
  const forgotten = cursor.isLike(/./) && !cursor.isLike(COPIES) && !LINKS.some((link) => cursor.isAt(link));
  if (forgotten && !named.quoted) cursor.fail('A comma is missing before this.');
  return named;
}

/** What stands in brackets behind a gear: of it, or of the pair that it makes with the one before. */
function readWords(cursor: Cursor, clauses: typeof BOTH | typeof MESH_ONLY) {
  if (!cursor.skipMark('(')) return { gearWords: {}, meshWords: {} };
  const said = { gearWords: {}, ...accepts(cursor, clauses, ')') };
  if (!cursor.skipMark(')')) cursor.fail('A “)” is missing here.');
  return said;
}

/** What stands behind the gears, after commas: it is said of all gears or pairs of the statement that do not say it. */
function finish(cursor: Cursor, row: Pick<Row, 'label' | 'items' | 'carrier'>): Row {
  const { gearWords, meshWords } = accepts(cursor, BOTH);
  return { ...row, gearWords, meshWords };
}
