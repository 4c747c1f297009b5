import { toFraction } from '@/core/rational';
import { solveEngaged } from '@/core/solve';
import { setTeeth, type Edit, type Train } from '@/core/train';
import { modelOf } from '@/core/model';

/** The document that an edit gives; an edit that is refused fails the test with its reason. */
export function done(edit: Edit): Train {
  if (!edit.ok) throw new Error(edit.message);
  return edit.train;
}

/** A train whose first gear has so many teeth: a change that saves can be told apart by. */
export const withFirstTeeth = (train: Train, teeth: number): Train => done(setTeeth(train, train.gears[0]!.id, teeth));

/** Why an edit is refused; null when it is not. */
export const refusal = (edit: Edit): string | null => (edit.ok ? null : edit.message);

/** The exact ratio of a train with these couplers engaged, as text. */
export const ratio = (train: Train, engaged: readonly string[] = []): string =>
  toFraction(solveEngaged(modelOf(train).open, engaged).ratio!);
