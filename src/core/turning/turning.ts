import { accept, refuse, type Result } from '../result';
import { splitFigure } from '../units';
import { abs, add, compare, fraction, mul, sub, ZERO, type Rational } from '../rational';
import type { Solved } from '../solve';
import type { Gear, Train } from '../train';
import { partsById } from '../train';

/** How far everything has been turned since the counters were set to nothing. Exact. */
export interface TurnedTrain {
  /** Turns of what is cranked. */
  readonly crank: Rational;
  readonly members: ReadonlyMap<string, Rational>;
}

export const NOTHING_TURNED: TurnedTrain = { crank: ZERO, members: new Map() };

/** Speed per turn of the crank of every member. */
export type MemberSpeeds = readonly { readonly id: string; readonly speed: Rational }[];

/** How a member is seen to turn. */
export interface MemberMove {
  readonly id: string;
  /** Per turn of the driver. */
  readonly speed: Rational;
  /** What is engaged leaves it open: the speed is that of one motion of several, see draggedMotion. */
  readonly isFree: boolean;
}

/** How every member is seen to turn in a solved position, so that all meshes are kept. */
export const memberMoves = ({ network, state, dragged }: Solved): readonly MemberMove[] =>
  network.memberIds.map((id, member) => ({
    id,
    speed: dragged.speedOf(member),
    isFree: state.speeds.turns && state.speeds.of(member) === null,
  }));

/** Turns the crank on (or back) by so many turns with these speeds; what was counted before stays counted. */
export function turnFurther(turned: TurnedTrain, speeds: MemberSpeeds, by: Rational): TurnedTrain {
  const members = new Map(turned.members);
  for (const { id, speed } of speeds) members.set(id, add(members.get(id) ?? ZERO, mul(speed, by)));
  return { crank: add(turned.crank, by), members };
}

/** Parts of a turn that a hand can set: free turning stops on one of these, so that counters stay exact. */
const HAND_STEPS = 3600;

/** The nearest exact amount to a freely turned one. */
export const handTurn = (turns: number): Rational => fraction(Math.round(turns * HAND_STEPS), HAND_STEPS);

/** Teeth of a gear that have gone past a mark beside it: beside a planet, the mark goes round with the carrier. */
export function teethPassed(train: Train, gear: Gear, turned: TurnedTrain): Rational {
  const carrier = partsById(train).find.member(gear.member)?.carrier;
  const own = turned.members.get(gear.member) ?? ZERO;
  const past = carrier === undefined ? own : sub(own, turned.members.get(carrier) ?? ZERO);
  return mul(past, fraction(gear.teeth));
}

const MOST_TURNS = fraction(1_000_000);

/** Reads a typed number of turns exactly: 3, 2.5, 1/3, 2 1/2, with either minus sign. At most 1 000 000 turns. */
export function readTurns(text: string): Result<Rational> {
  const written = splitFigure(text);
  if (!written || !/^(turns?)?$/.test(written.unit)) return refuse('Type a number of turns, such as 3, 0.5 or 1/3.');
  if (compare(abs(written.value), MOST_TURNS) > 0) return refuse('Turn at most 1 000 000 turns at once.');
  return accept(written.value);
}
