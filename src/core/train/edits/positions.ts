import type { Position, Train } from '../schema';
import { checked, freshId, refused, type Edit } from './edit';

/** Keeps what is engaged as a position of its own. The name must be new. */
export function keepPosition(train: Train, name: string, engaged: readonly string[]): Edit {
  const problem = nameProblem(train, name, null);
  if (problem) return refused(problem);
  const position: Position = {
    id: freshId(train.positions, name.trim().replace(/[^\p{L}\p{N} _.+:-]/gu, '') || 'position'),
    name: name.trim(),
    engaged: [...engaged],
  };
  return checked({ ...train, positions: [...train.positions, position] });
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
  positions.splice(Math.min(positions.length, Math.max(0, from + by)), 0, moved!);
  return checked({ ...train, positions });
}

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
