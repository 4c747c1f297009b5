import { engage, FRAME_INDEX, openMotion, stands, type MemberIndex } from '../kinematics';
import { isZero } from '../rational';
import type { Solved } from './position';
import { engagedTies } from './states';

/**
 * The smallest set of engaged elements that still locks the input: drop them one at a time and keep what is
 * needed. Ids of couplers; "self-lock:mesh" for a worm. Empty when the meshes alone lock it.
 */
export function lockSet({ network, engaged, state, flow }: Solved): readonly string[] {
  const { slides } = engagedTies(network, engaged);
  const slideIds = network.couplers.filter(({ coupler, acts }) => acts.kind === 'mesh' && engaged.has(coupler.id)).map(({ coupler }) => coupler.id);
  const elements = [
    ...slides.map((tie, i) => ({ id: slideIds[i]!, tie })),
    ...state.joints.map(({ id, tie }) => ({ id, tie })),
  ];
  const locks = (kept: typeof elements) => stands(engage(openMotion(state.motion.open), kept.map((element) => element.tie)), flow.driver);
  let needed = elements;
  for (const element of elements) {
    const fewer = needed.filter((other) => other !== element);
    if (locks(fewer)) needed = fewer;
  }
  return needed.map((element) => element.id);
}

/** Where power stops in neutral. */
export interface PowerStops {
  /** Members that turn with the input, in a fixed proportion. */
  readonly follow: readonly string[];
  /** Couplers that are off between a member that follows and one that does not. */
  readonly open: readonly string[];
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
  const open = network.couplers.flatMap(({ coupler, acts }) => {
    if (acts.kind === 'mesh') {
      const { a, b } = network.meshes[acts.mesh]!;
      return !engaged.has(coupler.id) && ((follows(a) && floats(b)) || (follows(b) && floats(a))) ? [coupler.id] : [];
    }
    return !active.has(coupler.id) && ((follows(acts.a) && floats(acts.b)) || (follows(acts.b) && floats(acts.a))) ? [coupler.id] : [];
  });
  const openSets = new Set<string>();
  for (const { a, b, arm } of state.meshes) {
    if (arm === FRAME_INDEX) continue;
    const parts = [a, b, arm];
    if (parts.some(follows) && parts.some(floats)) openSets.add(network.memberIds[arm]!);
  }
  return { follow: network.memberIds.filter((_, i) => follows(i)), open, openSets: [...openSets] };
}
