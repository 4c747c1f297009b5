import { equals, type Rational } from '../rational';
import { type Solved, type Status } from '../solve';
import type { Train } from '../train';
import type { FindingFix } from './finding';
import { modelOf } from '../model';

/** What a mend makes of one position. */
export interface Change {
  readonly position: string;
  readonly before: Outcome;
  readonly after: Outcome;
}

interface Outcome {
  readonly status: Status;
  readonly ratio: Rational | null;
}

/**
 * What mends would do to a train, which is solved as it is once for all of them: the positions that would give another
 * ratio, or do something else, if a mend were applied; null when it would be refused.
 */
export function fixEffects(train: Train): (mend: FindingFix) => readonly Change[] | null {
  const before = modelOf(train).positions();
  return ({ apply }) => {
    const edit = apply(train);
    if (!edit.ok) return null;
    const after = modelOf(edit.train).positions();
    return edit.train.positions.flatMap(({ id }): Change[] => {
      const [was, is] = [before.get(id), after.get(id)];
      return was && is && differ(was, is) ? [{ position: id, before: was, after: is }] : [];
    });
  };
}

const differ = (a: Solved, b: Solved): boolean =>
  a.status !== b.status || (a.ratio !== null && b.ratio !== null && !equals(a.ratio, b.ratio));
