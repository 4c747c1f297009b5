import { checkTrain, LIMITS, MAX_TRAIN_BYTES, withSharedParts, type PartRef, type Problem, type Train } from '../train';
import { assemble, type Assembled, type Places } from './assemble';
import { hintsOf } from './hints';
import { withIdsOf } from './keep-ids';
import { Misread, type Place, type WrittenProblem } from './place';
import { readStatement } from './read-statement';
import type { Statement } from './statement';
import { linesOf } from './tokens';
import { without } from './without';

/** What a text says of a train. */
export interface WrittenTrain {
  /** The whole; null where something is wrong with it. */
  readonly train: Train | null;
  /** What there is of it so far, to be shown meanwhile; null where that is nothing. */
  readonly shown: Train | null;
  /** In the order of the text. */
  readonly problems: readonly WrittenProblem[];
  /** What is right as it stands, and may still be a slip. */
  readonly hints: readonly WrittenProblem[];
  /** Where the parts of the shown train stand, in the order of the text. */
  readonly parts: readonly { readonly part: PartRef; readonly place: Place }[];
}

/** Nobody mends more at once. */
const MOST_PROBLEMS = 100;
/**
 * So many statements of a kind fill a document to its limits; a text with more is not worked through, as that would
 * take longer the longer it is.
 */
const MOST_STATEMENTS: Partial<Record<Statement['kind'], number>> = {
  row: LIMITS.meshes + LIMITS.gears,
  member: LIMITS.members,
  coupler: LIMITS.couplers,
  sleeve: LIMITS.selectors,
  position: LIMITS.positions,
};
const MOST_OTHERS = 1000;
/** How often what does not hold is taken out before the rest is given up. */
const ROUNDS = 6;

/**
 * Reads a train in writing; the grammar is in docs/written-form.md.
 * @param before the document that the text was written from: its parts keep their ids, and what did not change is the
 *   same object
 */
export function readWritten(text: string, before: Train | null = null): WrittenTrain {
  const start: Place = { from: 0, to: 0, line: 1, column: 1 };
  if (text.length > MAX_TRAIN_BYTES)
    return nothing({
      place: start,
      message: `The text is larger than ${MAX_TRAIN_BYTES / 1e6} MB, which no train is.`,
    });
  if (text.includes('\0')) return nothing({ place: start, message: 'This is not text.' });
  const { statements, problems, misread, end, cut } = statementsOf(text);
  if (cut || problems.length >= MOST_PROBLEMS) return { ...nothing(...problems), problems };
  if (statements.length === 0 && problems.length === 0)
    return nothing({ place: end, message: 'There is no train here yet: begin with “train” and its name.' });
  const made = assemble(statements, end);
  const { train, shown, parts, broken } = checked(made, end, before);
  // What a statement that does not read would have made is no second fault.
  const others = made.problems.filter(({ missing }) => !misread.some((line) => line.includes(missing ?? '\n')));
  const all = [...problems, ...others, ...broken].sort((a, b) => a.place.from - b.place.from);
  return {
    train: all.length === 0 ? train : null,
    shown,
    problems: all.slice(0, MOST_PROBLEMS),
    hints: hintsOf(statements),
    parts,
  };
}

const nothing = (...problems: readonly WrittenProblem[]): WrittenTrain => ({
  train: null,
  shown: null,
  problems,
  hints: [],
  parts: [],
});

function statementsOf(text: string) {
  const statements: Statement[] = [];
  const problems: WrittenProblem[] = [];
  const misread: string[] = [];
  const counts = new Map<Statement['kind'], number>();
  let end: Place = { from: 0, to: 0, line: 1, column: 1 };
  for (const line of linesOf(text)) {
    try {
      const statement = readStatement(line);
      if (statement) {
        statements.push(statement);
        const said = (counts.get(statement.kind) ?? 0) + 1;
        counts.set(statement.kind, said);
        const most = MOST_STATEMENTS[statement.kind] ?? MOST_OTHERS;
        if (said > most) {
          const message =
            `There are more than ${most} statements like this one, and no train has so many: ` + 'it is not read on.';
          return { statements: [], problems: [{ place: statement.place, message }], misread, end, cut: true };
        }
        const { from, to, line: number, column } = statement.place;
        end = { from: to, to, line: number, column: column + to - from };
      }
    } catch (error) {
      if (!(error instanceof Misread)) throw error;
      problems.push({ place: error.place, message: error.message });
      misread.push(line.text);
      if (problems.length >= MOST_PROBLEMS) break;
    }
  }
  return { statements, problems, misread, end, cut: false };
}

/** The document as far as it holds: what breaks a rule is said at its place, and left out of what is shown. */
function checked({ train: written, places: all }: Assembled, end: Place, before: Train | null) {
  const broken: WrittenProblem[] = [];
  let left = { train: written, places: all };
  for (let round = 0; round < ROUNDS; round++) {
    const result = checkTrain(left.train);
    if (result.ok) {
      const shown = before ? keptTrain(result.train, before) : result.train;
      return { train: broken.length === 0 ? shown : null, shown, parts: partsOf(shown, left.places), broken };
    }
    const told = result.problems.filter(({ path }) => !isUnsaid(path, left));
    if (round === 0) broken.push(...told.map((problem) => problemAt(problem, left.places, end)));
    left = without(left, result.problems);
  }
  return { train: null, shown: null, parts: [], broken };
}

/** With the ids, and as far as it is the same with the parts, of the document before. */
function keptTrain(train: Train, before: Train): Train {
  const named = checkTrain(withIdsOf(train, before));
  return named.ok ? withSharedParts(named.train, before) : train;
}

/** That there is no input or output is said by itself already. */
const isUnsaid = ([what]: Problem['path'], { places }: { readonly places: Places }): boolean =>
  (what === 'input' && places.input === null) || (what === 'outputs' && places.outputs.length === 0);

function problemAt({ path: [what, which], message }: Problem, places: Places, end: Place): WrittenProblem {
  const there = Object.hasOwn(places, what ?? '') ? places[what as keyof Places] : null;
  const place = Array.isArray(there) ? (there as readonly Place[])[Number(which)] : (there as Place | null);
  return { place: place ?? end, message };
}

const KINDS = [
  ['members', 'member'],
  ['gears', 'gear'],
  ['meshes', 'mesh'],
  ['couplers', 'coupler'],
] as const;

const partsOf = (train: Train, places: Places): WrittenTrain['parts'] =>
  KINDS.flatMap(([list, kind]) =>
    train[list].flatMap(({ id }, i) => {
      const place = places[list][i];
      return place ? [{ part: { kind, id }, place }] : [];
    }),
  ).sort((a, b) => a.place.from - b.place.from);
