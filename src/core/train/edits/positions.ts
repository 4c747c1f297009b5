import type { Position, Train } from '../schema';
import { checked, freshId, refused, type Edit } from './edit';
import { required } from '../../required';

/**
 * Keeps what is engaged as a position of its own. The name must be new.
 * @param after the position that it follows; left out, or no longer there, it comes last
 */
export function keepPosition(
  train: Train,
  name: string,
  engaged: readonly string[],
  after: string | null = null,
): Edit {
  const problem = nameProblem(train, name, null);
  if (problem) return refused(problem);
  const position: Position = {
    id: freshId(train.positions, idFrom(name)),
    name: name.trim(),
    engaged: [...engaged],
  };
  const at = train.positions.findIndex(({ id }) => id === after);
  const positions = [...train.positions];
  positions.splice(at < 0 ? positions.length : at + 1, 0, position);
  return checked({ ...train, positions });
}

/** Makes a position a rung of the ladder, or leaves it out: of steps, spread and shifts between neighbours. */
export function setOnLadder(train: Train, id: string, on: boolean): Edit {
  const position = train.positions.find((one) => one.id === id);
  if (!position) return refused(`There is no position "${id}".`);
  const { id: own, name, engaged } = position;
  const rung: Position = { id: own, name, engaged, ...(!on && { ladder: false }) };
  return checked({ ...train, positions: train.positions.map((one) => (one === position ? rung : one)) });
}

/**
 * Takes over a list of positions: what bears the name of a position that is there says what else is engaged in it, the
 * rest is new.
 * @param replace everything that is there goes, and only the list stays; positions of the same name keep their id.
 */
export function replacePositions(
  train: Train,
  rows: readonly { readonly name: string; readonly engaged: readonly string[] }[],
  { replace }: { readonly replace: boolean },
): Edit {
  const called = (name: string) =>
    train.positions.find((position) => position.name.toLowerCase() === name.trim().toLowerCase());
  const positions: Position[] = replace ? [] : [...train.positions];
  for (const { name, engaged } of rows) {
    const known = called(name);
    const position: Position = {
      id: known?.id ?? freshId([...train.positions, ...positions], idFrom(name)),
      name: known?.name ?? name.trim(),
      engaged: [...engaged],
      ...(known?.ladder === false && { ladder: false }),
    };
    const at = positions.findIndex(({ id }) => id === position.id);
    if (at < 0) positions.push(position);
    else positions[at] = position;
  }
  return checked({ ...train, positions });
}

/** Gives a position another name. */
export function renamePosition(train: Train, id: string, name: string): Edit {
  const problem = nameProblem(train, name, id);
  return problem ? refused(problem) : changePosition(train, id, { name: name.trim() });
}

/** Says what else is engaged in a position. */
export const engageInPosition = (train: Train, id: string, engaged: readonly string[]): Edit =>
  changePosition(train, id, { engaged: [...engaged] });

/** Moves a position by so many places; it stops at either end. */
export function movePosition(train: Train, id: string, by: number): Edit {
  const from = train.positions.findIndex((position) => position.id === id);
  if (from < 0) return refused(`There is no position "${id}".`);
  const positions = [...train.positions];
  const [moved] = positions.splice(from, 1);
  positions.splice(Math.min(positions.length, Math.max(0, from + by)), 0, required(moved));
  return checked({ ...train, positions });
}

/** What of a name can stand in an id. */
const idFrom = (name: string): string =>
  name
    .replace(/[^\p{L}\p{N} _.+:-]/gu, '')
    .replace(/^[^\p{L}\p{N}]+/u, '')
    .slice(0, 60)
    .trim() || 'position';

/** Puts the positions into another order. @param ids all of them. */
export const orderPositions = (train: Train, ids: readonly string[]): Edit =>
  checked({ ...train, positions: [...train.positions].sort((a, b) => ids.indexOf(a.id) - ids.indexOf(b.id)) });

export const deletePosition = (train: Train, id: string): Edit =>
  checked({ ...train, positions: train.positions.filter((position) => position.id !== id) });

function changePosition(train: Train, id: string, change: Partial<Position>): Edit {
  if (!train.positions.some((position) => position.id === id)) return refused(`There is no position "${id}".`);
  return checked({
    ...train,
    positions: train.positions.map((position) => (position.id === id ? { ...position, ...change } : position)),
  });
}

function nameProblem(train: Train, name: string, own: string | null): string | null {
  if (name.trim() === '') return 'Give the position a name, such as 1, R or low.';
  return train.positions.some(
    (position) => position.id !== own && position.name.toLowerCase() === name.trim().toLowerCase(),
  )
    ? `There is a position "${name.trim()}" already.`
    : null;
}
