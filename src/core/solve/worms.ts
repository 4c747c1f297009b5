import {
  alwaysIn,
  imposeTies,
  derivedOnce,
  openMotion,
  openTrain,
  type Joint,
  type FreeMotion,
  type NetworkMesh,
  type OpenTrain,
} from '../kinematics';
import { engagedJoints, engagedSlides, meshesIn, turnedTogether, oneWaysDeciding } from './engaged';
import type { SolveQuestion } from './flow';
import { isLocked } from './one-ways';
import { itemAt } from '../required';

/**
 * The self-locking worms that stand: all that nothing but their own wheel could turn. Worms are let go of their wheels,
 * and one that would still have to turn with the driver is turned by something else: it takes its wheel along, and
 * through that wheel may turn further worms. What is left at the end stands, all at once.
 */
export function lockedWorms(question: SolveQuestion): readonly NetworkMesh[] {
  const { open, engaged, flow } = question;
  const { network } = open;
  if (!network.worms) return [];
  const inMesh = new Set(meshesIn(network, engaged));
  let waiting = network.meshes.filter((mesh) => mesh.mesh.selfLocking && inMesh.has(mesh));
  const oneWays = oneWaysDeciding(question);
  const locks = (motion: FreeMotion, tie: Joint) => isLocked(imposeTies(motion, [tie]), oneWays, flow);
  let motion = withoutWorms(question);
  while (waiting.length > 0) {
    const turned = waiting.filter((worm) => locks(motion, wormLock(worm)));
    if (turned.length === 0) return waiting;
    motion = imposeTies(
      motion,
      turned.map((worm) => ({ kind: 'mesh', mesh: network.meshes.indexOf(worm) })),
    );
    waiting = waiting.filter((worm) => !turned.includes(worm));
  }
  return [];
}

/** A worm that stands on its arm. */
export const wormLock = ({ a, arm }: NetworkMesh): Joint => ({ kind: 'joins', a, b: arm });

/** What is engaged, on a train whose worms have been let go of their wheels. */
function withoutWorms(question: SolveQuestion): FreeMotion {
  const { engaged, open } = question;
  const { network } = open;
  const locking = (mesh: number) => itemAt(network.meshes, mesh).mesh.selfLocking ?? false;
  const slides = engagedSlides(network, engaged).filter(({ tie }) => !(tie.kind === 'mesh' && locking(tie.mesh)));
  return imposeTies(openMotion(derivedOnce(open, trainWithoutWorms)), [
    ...[...slides, ...engagedJoints(network, engaged)].map(({ tie }) => tie),
    ...turnedTogether(question),
  ]);
}

const trainWithoutWorms = ({ network }: OpenTrain): OpenTrain =>
  openTrain(
    network,
    alwaysIn(network).filter(({ mesh }) => !mesh.selfLocking),
  );
