import { memberFigures } from '../powerflow';
import { isZero, toNumber } from '../rational';
import { type Solved } from '../solve';
import type { Train } from '../train';
import { modelOf } from '../model';
import { lookUp } from '../required';

/** Inertias of members, reduced by the squares of their exact speeds; kg m². */
export interface MemberInertias {
  /** What turns with the input whatever is engaged, at the input. */
  readonly inputKgM2: number;
  /**
   * What turns with the output in one position and in another, at the output: Σ J h h′, with h turns of the member for
   * one of the output.
   */
  readonly between: (from: string, to: string) => number;
}

const NONE: MemberInertias = { inputKgM2: 0, between: () => 0 };

/**
 * Members that the input turns while nothing is engaged belong to the input; what others have of inertia turns with the
 * output as the position says. Between two positions it goes on turning as it did. Speeds are the solver's; members
 * that float count for nothing.
 */
export function memberInertias(
  train: Train,
  order: readonly string[],
  membersKgM2: Readonly<Record<string, number>> = {},
): MemberInertias {
  const heavy = Object.entries(membersKgM2).filter(([, kgM2]) => kgM2 > 0);
  if (heavy.length === 0) return NONE;
  const { solve, solvedIn } = modelOf(train);
  const speedsOf = (solved: Solved) => {
    const speeds = new Map(
      memberFigures(solved).map(({ id, speed }) => [id, speed && !isZero(speed) ? toNumber(speed) : 0]),
    );
    return { speeds, ratio: solved.ratio ? toNumber(solved.ratio) : 0 };
  };
  const positions = new Map(order.map((id) => [id, speedsOf(solvedIn(id))]));
  const free = speedsOf(solve([])).speeds;
  const atInput = heavy.filter(([id]) => {
    const speed = lookUp(free, id);
    return speed !== 0 && [...positions.values()].every(({ speeds }) => speeds.get(id) === speed);
  });
  const atOutput = heavy.filter((one) => !atInput.includes(one));
  const perOutput = (position: string, member: string) => {
    const { speeds, ratio } = lookUp(positions, position);
    return lookUp(speeds, member) * ratio;
  };
  return {
    inputKgM2: atInput.reduce((sum, [id, kgM2]) => sum + kgM2 * lookUp(free, id) ** 2, 0),
    between: (from, to) =>
      atOutput.reduce((sum, [id, kgM2]) => sum + kgM2 * perOutput(from, id) * perOutput(to, id), 0),
  };
}
