import { imposeTies, FRAME_INDEX, openMotion, type MemberIndex, type Tie } from '../kinematics';
import { isZero } from '../rational';
import { engagedSlides, workingOneWays, type OneWay } from './engaged';
import { isLocked } from './one-ways';
import type { Solved } from './position';
import { itemAt } from '../required';

/** Something that can be to blame for a lock: a tie, or a one-way clutch. */
type Suspect = { readonly id: string; readonly tie: Tie } | ({ readonly id: string; readonly oneWay: true } & OneWay);

/** Sets tried at the most in looking for one smaller than the first found. */
const MAX_TRIED = 1500;

/**
 * The smallest set of engaged elements that still locks the input, one-way clutches taken as what they are. None of it
 * can be spared; where there are few enough sets to try them all, none is smaller. Ids of couplers; "self-lock:mesh"
 * for a worm. Empty when the meshes alone lock it.
 */
export function lockSet({ network, engaged, state, flow }: Solved): readonly string[] {
  const oneWays = workingOneWays(network, engaged).map((oneWay): Suspect => ({ ...oneWay, oneWay: true }));
  const ties = [...engagedSlides(network, engaged), ...state.joints.filter(({ kind }) => kind !== 'one-way')];
  const together = flow.together.map(({ member, times }): Tie => ({ kind: 'joins', a: flow.driver, b: member, times }));
  const ground = imposeTies(openMotion(state.motion.open), together);
  const locks = (kept: readonly Suspect[]) => {
    const motion = imposeTies(
      ground,
      kept.flatMap((suspect) => ('oneWay' in suspect ? [] : [suspect.tie])),
    );
    return isLocked(
      motion,
      kept.filter((suspect) => 'oneWay' in suspect),
      flow,
    );
  };
  const holds = oneWays.filter(({ id }) => state.oneWays.get(id) === 'holds');
  const first = spared([...ties, ...holds], locks);
  return (smaller([...ties, ...oneWays], first.length, locks) ?? first).map(({ id }) => id);
}

/** Drops one at a time whatever is not needed. */
function spared(suspects: readonly Suspect[], locks: (kept: readonly Suspect[]) => boolean): readonly Suspect[] {
  let needed = suspects;
  for (const suspect of suspects) {
    const fewer = needed.filter((other) => other !== suspect);
    if (locks(fewer)) needed = fewer;
  }
  return needed;
}

/** A set of fewer than `size` that locks, smallest first; null when there is none, or there are too many to try. */
function smaller(
  suspects: readonly Suspect[],
  size: number,
  locks: (kept: readonly Suspect[]) => boolean,
): readonly Suspect[] | null {
  let tried = 0;
  for (let count = 1; count < size; count++) {
    for (const chosen of choices(suspects, count)) {
      if (++tried > MAX_TRIED) return null;
      if (locks(chosen)) return chosen;
    }
  }
  return null;
}

/** Every choice of so many, in order. */
function* choices<T>(from: readonly T[], count: number, start = 0): Generator<readonly T[], void> {
  if (count === 0) yield [];
  else
    for (let i = start; i <= from.length - count; i++)
      for (const rest of choices(from, count - 1, i + 1)) yield [itemAt(from, i), ...rest];
}

/** Where power stops in neutral. */
export interface PowerStops {
  /** Members that turn with the input, in a fixed proportion. */
  readonly follow: readonly string[];
  /** Couplers that are off between a member that follows and one that does not, and could be engaged. */
  readonly open: readonly string[];
  /** One-way clutches at work there: what follows falls behind them or runs ahead of them. */
  readonly overrun: readonly string[];
  /** Carriers of sets that the power reaches, where nothing holds or drives a second member. */
  readonly openSets: readonly string[];
}

/** The members that follow the input and the first open joints on every way onward. */
export function powerStops({ network, state, engaged }: Solved): PowerStops {
  const { speeds } = state;
  const follows = (member: MemberIndex) => {
    const speed = member === FRAME_INDEX ? null : speeds.of(member);
    return speed !== null && !isZero(speed);
  };
  const floats = (member: MemberIndex) => member !== FRAME_INDEX && speeds.of(member) === null;
  const active = new Set(state.joints.map((joint) => joint.id));
  const stops = network.couplers.flatMap(({ coupler, acts }) => {
    if (acts.kind === 'mesh') {
      const { a, b } = itemAt(network.meshes, acts.mesh);
      return !engaged.has(coupler.id) && ((follows(a) && floats(b)) || (follows(b) && floats(a))) ? [coupler.id] : [];
    }
    return !active.has(coupler.id) && ((follows(acts.a) && floats(acts.b)) || (follows(acts.b) && floats(acts.a)))
      ? [coupler.id]
      : [];
  });
  const openSets = new Set<string>();
  for (const { a, b, arm } of state.meshes) {
    if (arm === FRAME_INDEX) continue;
    const parts = [a, b, arm];
    if (parts.some(follows) && parts.some(floats)) openSets.add(itemAt(network.memberIds, arm));
  }
  return {
    follow: network.memberIds.filter((_, i) => follows(i)),
    open: stops.filter((id) => !state.oneWays.has(id)),
    overrun: stops.filter((id) => state.oneWays.has(id)),
    openSets: [...openSets],
  };
}
