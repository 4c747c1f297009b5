import { walkCombinations } from '../gear-chart';
import { FRAME_INDEX, networkOf } from '../kinematics';
import { modelOf } from '../model';
import { powerFlow } from '../powerflow';
import { abs, div, sign, toNumber, type Rational } from '../rational';
import { itemAt, lookUp } from '../required';
import { jointTorque, type Solved } from '../solve';
import type { Train } from '../train';
import type { SchemeQuestion } from './question';
import type { FoundScheme } from './scheme';

/** What a scheme comes to, solved exactly as the train that it makes. */
export interface SchemeFigures {
  /** By wished ratio, exact, in/out. */
  readonly forward: readonly Rational[];
  readonly reverse: Rational | null;
  /** Largest |ratio / wish − 1|. */
  readonly worst: number;
  readonly spread: number;
  /** From each ratio to the next, how much smaller. */
  readonly steps: readonly number[];
  /** Per turn of the input, over all positions. */
  readonly fastestMember: number;
  readonly fastestPlanet: number;
  /** Per torque at the input. */
  readonly elementTorque: number;
  /** Power that goes round in a circle, per power at the input, in the worst position. */
  readonly recirculation: number;
  /** Least and most of the forward positions, with the efficiency of each mesh that is assumed. */
  readonly efficiency: readonly [number, number] | null;
  /** Elements that drag open, in each position. */
  readonly open: number;
  /** Further forward ratios that its elements give for nothing, exact. */
  readonly others: readonly Rational[];
}

/** Of each mesh, where nothing else is said. */
export const USUAL_MESH = 0.98;

/** @param train the scheme's own, see trainOfScheme */
export function schemeFigures(
  question: SchemeQuestion,
  { scheme, selection }: FoundScheme,
  train: Train,
): SchemeFigures {
  const members = scheme.members.length;
  const lossy = { ...train, efficiency: question.limits.mesh ?? USUAL_MESH };
  const ids = train.positions.map(({ id }) => id);
  const solved = ids.map((id) => modelOf(train).solvedIn(id));
  const ratios = solved.map(({ ratio }) => ratio);
  const forward = ratios.slice(0, selection.forward.length).flatMap((ratio) => ratio ?? []);
  const sizes = forward.map(toNumber);
  const efficiencies = ids
    .slice(0, forward.length)
    .flatMap((id) => modelOf(lossy).solvedIn(id, { losses: true }).efficiency ?? [])
    .map(toNumber);
  return {
    forward,
    reverse: selection.reverse ? (ratios.at(-1) ?? null) : null,
    worst: Math.max(...forward.map((ratio, i) => Math.abs(toNumber(div(ratio, itemAt(question.forward, i))) - 1))),
    spread: Math.max(...sizes) / Math.min(...sizes),
    steps: sizes.flatMap((size, i) => (i + 1 < sizes.length ? [size / itemAt(sizes, i + 1)] : [])),
    fastestMember: Math.max(...solved.map((one) => fastestMember(one, members))),
    fastestPlanet: Math.max(...solved.map((one) => fastestPlanet(one, members))),
    elementTorque: Math.max(0, ...solved.map(largestTorque)),
    recirculation: Math.max(0, ...solved.map(recirculated)),
    efficiency: efficiencies.length > 0 ? [Math.min(...efficiencies), Math.max(...efficiencies)] : null,
    open: selection.elements.length - (selection.forward[0]?.length ?? 0),
    others: otherRatios(train, forward),
  };
}

/** @param members of the scheme: those after them in its train are planets */
const fastestMember = ({ state }: Solved, members: number): number =>
  Math.max(...Array.from({ length: members }, (_, i) => sizeOf(state.speeds.of(i))));

/** On its pin, which stands still where its carrier is held for good. */
const fastestPlanet = ({ network, state }: Solved, members: number): number =>
  Math.max(
    0,
    ...network.train.members.slice(members).map(({ carrier }, i) => {
      const at = carrier === undefined ? FRAME_INDEX : lookUp(network.memberIndex, carrier);
      return sizeOf(state.speeds.difference(at, members + i));
    }),
  );

const sizeOf = (speed: Rational | null): number => (speed === null ? 0 : Math.abs(toNumber(speed)));

const largestTorque = ({ network, state }: Solved): number =>
  Math.max(
    0,
    ...network.train.couplers.map(({ id }) => {
      const torque = jointTorque(state, id);
      return torque === null ? 0 : Math.abs(toNumber(torque));
    }),
  );

function recirculated(solved: Solved): number {
  const flow = powerFlow(solved);
  return flow ? flow.recirculating.reduce((sum, { share }) => sum + Math.abs(toNumber(share)), 0) : 0;
}

/** Forward ratios of other choices of the elements than the positions', each once, the slowest first. */
function otherRatios(train: Train, known: readonly Rational[]): readonly Rational[] {
  if (train.couplers.length > MOST_COMBINED) return [];
  const seen = new Set(known.map((ratio) => `${ratio.n}/${ratio.d}`));
  return [...walkCombinations(networkOf(train))]
    .flatMap(({ ratio }) => (ratio && sign(ratio) > 0 ? [ratio] : []))
    .filter((ratio) => {
      const key = `${ratio.n}/${ratio.d}`;
      return !seen.has(key) && seen.add(key);
    })
    .sort((a, b) => toNumber(abs(b)) - toNumber(abs(a)));
}

/** With more elements than these the combinations take longer than they are worth. */
const MOST_COMBINED = 10;

/** Does it keep within the limits that speeds do not tell? @param crossings of its drawing; null where not asked */
export function keepsWithin(
  { limits }: SchemeQuestion,
  { elementTorque, recirculation, efficiency }: SchemeFigures,
  crossings: number | null,
): boolean {
  return (
    elementTorque <= (limits.elementTorque ?? Infinity) &&
    recirculation <= (limits.recirculation ?? Infinity) &&
    (limits.efficiency === undefined || (efficiency !== null && efficiency[0] >= limits.efficiency)) &&
    (limits.nested !== true || crossings === 0)
  );
}
