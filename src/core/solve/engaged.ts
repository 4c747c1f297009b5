import {
  imposeTies,
  openMotion,
  type Joint,
  type FreeMotion,
  type Network,
  type NetworkMesh,
  type Tie,
} from '../kinematics';
import type { SolveQuestion } from './flow';
import { itemAt } from '../required';

/** A joint that is on: an engaged clutch or brake, a one-way clutch that holds, a worm that stands. */
export interface ActiveJoint {
  readonly id: string;
  readonly kind: 'coupler' | 'one-way' | 'self-lock';
  readonly tie: Joint;
}

/** A one-way clutch at work: its second member may run ahead of its first, never fall behind. */
export interface OneWay {
  readonly id: string;
  readonly tie: Joint;
}

/** Clutches and brakes that are engaged. */
export function engagedJoints({ couplers }: Network, engaged: ReadonlySet<string>): readonly ActiveJoint[] {
  const found: ActiveJoint[] = [];
  for (const { coupler, acts } of couplers) {
    if (acts.kind === 'joins' && coupler.type !== 'one-way' && engaged.has(coupler.id))
      found.push({ id: coupler.id, kind: 'coupler', tie: acts });
  }
  return found;
}

/** Sliding meshes that are engaged, as what they impose. */
export const engagedSlides = (
  { couplers, slides }: Network,
  engaged: ReadonlySet<string>,
): readonly { readonly id: string; readonly tie: Tie }[] =>
  slides
    ? couplers.flatMap(({ coupler, acts }) =>
        acts.kind === 'mesh' && engaged.has(coupler.id) ? [{ id: coupler.id, tie: acts }] : [],
      )
    : [];

/** One-way clutches at work: those that always are, and the selected ones. */
export const workingOneWays = ({ couplers, oneWays }: Network, engaged: ReadonlySet<string>): readonly OneWay[] =>
  oneWays
    ? couplers.flatMap(({ coupler, acts }) =>
        acts.kind === 'joins' &&
        coupler.type === 'one-way' &&
        (coupler.control !== 'selectable' || engaged.has(coupler.id))
          ? [{ id: coupler.id, tie: acts }]
          : [],
      )
    : [];

/** One-way clutches at work, but for the one that slips. */
export const oneWaysDeciding = ({ open, engaged, slipping }: SolveQuestion): readonly OneWay[] =>
  workingOneWays(open.network, engaged).filter(({ id }) => id !== slipping);

/** The meshes that are in: all that are always in, and the sliding ones that are engaged. */
export const meshesIn = (network: Network, engaged: ReadonlySet<string>): readonly NetworkMesh[] =>
  network.slides
    ? network.meshes.filter(
        (mesh) => mesh.slidBy === null || engaged.has(itemAt(network.couplers, mesh.slidBy).coupler.id),
      )
    : network.meshes;

/** Outputs that are turned together, as ties. */
export const turnedTogether = ({ flow }: SolveQuestion): readonly Joint[] =>
  flow.together.map(({ member, times }) => ({ kind: 'joins', a: flow.driver, b: member, times }));

/** What is engaged whatever one-way clutches and worms do, imposed on the open train. */
export function engagedMotion(question: SolveQuestion, joints: readonly ActiveJoint[]): FreeMotion {
  const { open, engaged, flow } = question;
  const motion =
    question.engagedMotion ??
    imposeTies(
      imposeTies(
        openMotion(open),
        engagedSlides(open.network, engaged).map(({ tie }) => tie),
      ),
      joints.map(({ tie }) => tie),
    );
  return flow.together.length > 0 ? imposeTies(motion, turnedTogether(question)) : motion;
}
