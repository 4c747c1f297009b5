import { distance } from 'fastest-levenshtein';
import type { WrittenProblem } from './place';
import type { Named, Statement } from './statement';

/** More names than this are not compared with one another: whoever has as many makes them by rule. */
const MOST_COMPARED = 200;

/** Members that are nearly called like another: often a slip of the keys. */
export function hintsOf(statements: readonly Statement[]): readonly WrittenProblem[] {
  const first = new Map<string, Named>();
  for (const statement of statements)
    if (statement.kind === 'row')
      for (const named of membersNamed(statement.row)) if (!first.has(named.name)) first.set(named.name, named);
  const all = [...first.values()];
  if (all.length > MOST_COMPARED) return [];
  const shapes = all.map(({ name }) => shapeOf(name));
  return all.flatMap((named, i) => {
    const like = all.slice(0, i).find((other, j) => shapes[j] === shapes[i] || isSlip(other.name, named.name));
    return like ? [{ place: named.place, message: `Is “${named.name}” another member than “${like.name}”?` }] : [];
  });
}

const membersNamed = ({ items, carrier }: Extract<Statement, { kind: 'row' }>['row']): readonly Named[] => [
  ...items.flatMap(({ gears }) => gears.flatMap(({ member }) => member ?? [])),
  ...(carrier ? [carrier] : []),
];

/** Names that differ in capitals and blanks only have one shape. */
const shapeOf = (name: string): string => name.toLowerCase().replace(/[\s_-]+/g, '');

/** One letter of a long word is another, is missing or is too much; figures and single letters tell parts apart. */
function isSlip(a: string, b: string): boolean {
  if (Math.abs(a.length - b.length) > 1 || distance(a, b) !== 1) return false;
  const others = b.split(' ');
  const [unlike, ...more] = a
    .split(' ')
    .flatMap((word, i) => (word === others[i] ? [] : [[word, others[i] ?? ''] as const]));
  return unlike !== undefined && more.length === 0 && unlike.every((word) => word.length > 4 && !/\d/.test(word));
}
