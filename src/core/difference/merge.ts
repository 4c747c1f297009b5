import { accept, type Problem, type Result } from '../result';
import { checkTrain, TRAIN_FIGURES, type Train } from '../train';

/** The lists of a document whose parts are told apart by their ids. */
const LISTS = ['members', 'gears', 'meshes', 'couplers', 'selectors', 'positions'] as const;
type ListName = (typeof LISTS)[number];
type Part = { readonly id: string };

/** What stands beside the lists, one thing each. */
const SINGLE = [
  'name',
  'input',
  'outputs',
  'notes',
  'efficiency',
  'tipSpeedLimits',
  'elasticity',
  ...TRAIN_FIGURES.map(({ key }) => key),
  'setAside',
] as const satisfies readonly (keyof Train)[];

/**
 * Puts together what two people changed of the same document: each part as whoever changed it left it. Refused, with a
 * line for each place, where both changed the same part otherwise, or where the two together are no sound document.
 * @param base what both began with
 */
export function mergeTrains(base: Train, mine: Train, theirs: Train): Result<Train> {
  const clashes: Problem[] = [];
  const lists = LISTS.map((list) => [list, mergeList(base, mine, theirs, list, clashes)] as const);
  const single = SINGLE.map((key) => {
    const [was, own, other] = [base[key], mine[key], theirs[key]];
    if (same(own, was) || same(own, other)) return [key, other] as const;
    if (!same(other, was)) clashes.push({ path: [key], message: 'Both changed it.' });
    return [key, own] as const;
  });
  const [first, ...others] = clashes;
  if (first) return { ok: false, problems: [first, ...others] };
  const merged = Object.fromEntries(
    [...Object.entries(theirs), ...lists, ...single].filter(
      ([key, value]) => value !== undefined && !(key === 'selectors' && !mine.selectors && !theirs.selectors),
    ),
  );
  const checked = checkTrain(merged);
  if (checked.ok) return accept(checked.train);
  const [problem, ...more] = checked.problems;
  return problem ? { ok: false, problems: [problem, ...more] } : accept(theirs);
}

function mergeList(base: Train, mine: Train, theirs: Train, list: ListName, clashes: Problem[]): readonly Part[] {
  const partsOf = (train: Train): readonly Part[] => train[list] ?? [];
  const [was, own, other] = [partsOf(base), partsOf(mine), partsOf(theirs)];
  const [wasById, ownById, otherById] = [byId(was), byId(own), byId(other)];
  const merged = new Map<string, Part>();
  for (const id of orderOf(was, own, other)) {
    const [old, left, right] = [wasById.get(id), ownById.get(id), otherById.get(id)];
    const changedHere = !same(left, old);
    const changedThere = !same(right, old);
    if (changedHere && changedThere && !same(left, right))
      clashes.push({ path: [list, id], message: 'Both changed it.' });
    const part = changedHere ? left : right;
    if (part) merged.set(id, part);
  }
  return [...merged.values()];
}

const byId = (parts: readonly Part[]): ReadonlyMap<string, Part> => new Map(parts.map((part) => [part.id, part]));

/** All ids, in the order of whoever put the parts into another order; what only the other has comes at the end. */
function orderOf(was: readonly Part[], own: readonly Part[], other: readonly Part[]): readonly string[] {
  const ids = (parts: readonly Part[]) => parts.map(({ id }) => id);
  const both = new Set(ids(own).filter((id) => ids(was).includes(id)));
  const kept = (parts: readonly Part[]) => ids(parts).filter((id) => both.has(id));
  const reordered = !same(kept(own), kept(was));
  const [first, second] = reordered ? [own, other] : [other, own];
  return [...new Set([...ids(first), ...ids(second)])];
}

const same = (a: unknown, b: unknown): boolean => a === b || JSON.stringify(a) === JSON.stringify(b);
