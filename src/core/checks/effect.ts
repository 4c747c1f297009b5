import { modelOf } from '../model';
import { div, equals, isZero, type Rational } from '../rational';
import type { Solved, Status } from '../solve';
import { partsById, type Train } from '../train';
import type { FindingFix } from './finding';

/** What a mend makes of one output in one position. */
export interface Change {
  /** Null of what is engaged by hand. */
  readonly position: string | null;
  readonly output: string;
  readonly before: Outcome;
  readonly after: Outcome;
}

interface Outcome {
  readonly status: Status;
  /** Input turns for one of this output, signed; null where it does not turn, or not by a ratio. */
  readonly ratio: Rational | null;
}

/**
 * What mends would do to a train, which is solved as it is once for all of them: every output that would turn
 * otherwise, in every position and in what is engaged now, if a mend were applied; null when it would be refused.
 * @param engaged couplers that are engaged by hand; null where a position is chosen
 */
export function fixEffects(
  train: Train,
  engaged: readonly string[] | null,
): (mend: FindingFix) => readonly Change[] | null {
  const before = outcomesOf(train, engaged);
  return ({ apply }) => {
    const edit = apply(train);
    if (!edit.ok) return null;
    const { find } = partsById(edit.train);
    const after = outcomesOf(edit.train, engaged?.filter((id) => find.coupler(id)) ?? null);
    return before.flatMap(({ position, output, outcome: was }): Change[] => {
      const is = after.find((one) => one.position === position && one.output === output)?.outcome;
      return is && differ(was, is) ? [{ position, output, before: was, after: is }] : [];
    });
  };
}

interface OutputOutcome {
  readonly position: string | null;
  readonly output: string;
  readonly outcome: Outcome;
}

function outcomesOf(train: Train, engaged: readonly string[] | null): readonly OutputOutcome[] {
  const { positions, solve } = modelOf(train);
  const states: (readonly [string | null, Solved])[] = [...positions()];
  // A train without positions is looked at as it stands.
  if (engaged) states.push([null, solve(engaged)]);
  return states.flatMap(([position, solved]) =>
    train.outputs.map((output) => ({ position, output, outcome: outcomeAt(solved, output) })),
  );
}

function outcomeAt({ network, state, flow, status }: Solved, output: string): Outcome {
  const speed = status === 'drive' ? state.speeds.of(network.memberIds.indexOf(output)) : null;
  return { status, ratio: speed === null || isZero(speed) ? null : div(flow.speed, speed) };
}

function differ(a: Outcome, b: Outcome): boolean {
  if (a.status !== b.status) return true;
  return a.ratio === null || b.ratio === null ? a.ratio !== b.ratio : !equals(a.ratio, b.ratio);
}
