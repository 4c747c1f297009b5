import { leadForm, memberForm, type MemberIndex, type FreeMotion } from '../kinematics';
import { holding, leadAmong, leastMotion } from '../least-motion';
import { div, isZero, type Rational } from '../rational';
import type { OneWay } from './engaged';
import type { Flow } from './flow';
import { itemAt } from '../required';

/** How the one-way clutches stand, all together. */
export interface OneWaysSettled {
  /** The input can turn. When it cannot, what holds is the smallest cause of it: none can be spared. */
  readonly turns: boolean;
  readonly holds: ReadonlySet<string>;
}

/**
 * The law of least motion: of all motions that the one-way clutches allow, a loaded train takes the one that moves its
 * loads least. A clutch holds where the least motion leans on it (its multiplier, the torque through it, is positive);
 * every other overruns or idles at equal speed. Where the loads can stand, nothing pushes and nothing holds.
 *
 * @param motion what meshes, engaged couplers and standing worms leave.
 */
export function settleOneWays(
  motion: FreeMotion,
  oneWays: readonly OneWay[],
  { driver, speed, receivers }: Pick<Flow, 'driver' | 'speed' | 'receivers'>,
): OneWaysSettled {
  const programme = {
    rate: rateForm(motion, driver, speed),
    loads: receivers.map((member) => memberForm(motion, member)),
    leads: oneWays.map(({ tie }) => leadForm(motion, tie)),
  };
  const solution = leastMotion(programme);
  const ids = (leads: Iterable<number>) => new Set([...leads].map((i) => itemAt(oneWays, i).id));
  if (!solution.possible) return { turns: false, holds: ids(solution.against.keys()) };
  return { turns: true, holds: solution.loads.every(isZero) ? new Set() : ids(holding(programme, solution)) };
}

/**
 * The speeds that the loads take at the least motion, where the motion given leaves them open; null when the driver
 * cannot turn.
 */
export function leastSpeeds(
  motion: FreeMotion,
  { driver, speed, receivers }: Pick<Flow, 'driver' | 'speed' | 'receivers'>,
): readonly Rational[] | null {
  const solution = leastMotion({
    rate: rateForm(motion, driver, speed),
    loads: receivers.map((member) => memberForm(motion, member)),
    leads: [],
  });
  return solution.possible ? solution.loads : null;
}

/** Can the driver not turn, in this direction, whatever the one-way clutches do? */
export function isLocked(
  motion: FreeMotion,
  oneWays: readonly OneWay[],
  { driver, speed }: Pick<Flow, 'driver' | 'speed'>,
): boolean {
  const rate = rateForm(motion, driver, speed);
  if (rate.every(isZero)) return true;
  return (
    oneWays.length > 0 &&
    !leastMotion({ rate, loads: [], leads: oneWays.map(({ tie }) => leadForm(motion, tie)) }).possible
  );
}

/**
 * One-way clutches that can never run ahead, whatever is driven: each with those it stands against. Alone, it joins
 * members that always turn as one.
 */
export function jammedOneWays(motion: FreeMotion, oneWays: readonly OneWay[]): readonly (readonly string[])[] {
  const leads = oneWays.map(({ tie }) => leadForm(motion, tie));
  const found: string[][] = [];
  oneWays.forEach(({ id }, i) => {
    if (found.some((ring) => ring.includes(id))) return;
    const tried = leadAmong(leads, i);
    if (!tried.leads) found.push([id, ...tried.against.map((other) => itemAt(oneWays, other).id)]);
  });
  return found;
}

const rateForm = (motion: FreeMotion, driver: MemberIndex, speed: Rational) =>
  memberForm(motion, driver).map((value) => div(value, speed));
