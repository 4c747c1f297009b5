import {
  couplerForces,
  flowOf,
  forcedState,
  memberForces,
  meshForces,
  rankWheels,
  type ForcesUse,
} from '@/core/forces';
import type { Train } from '@/core/train';
import { SPEED_UNITS, TORQUE_UNITS } from '@/core/units';
import type { Options } from './options';

/**
 * Forces on teeth, pins and bearings of every position, or of one, at an input torque; 1 N·m where none is given. Below
 * 0 the load pushes and the input holds back; in reverse flow the torque is that of the first output.
 */
export function forcesJson(
  train: Train,
  { torque, speed, position, losses, reverse }: Pick<Options, 'torque' | 'speed' | 'position' | 'losses' | 'reverse'>,
): unknown {
  const use: ForcesUse = {
    torqueNm: torque ? torque.value * TORQUE_UNITS[torque.unit] : 1,
    speedRpm: speed ? (speed.value * SPEED_UNITS[speed.unit]) / SPEED_UNITS.rpm : null,
  };
  const how = { losses, flow: reverse ? ('backward' as const) : flowOf(use) };
  const wanted = train.positions.filter(({ id }) => position === undefined || id === position);
  const positions = wanted.map((one) => {
    const { id } = one;
    const { solved, use: borne } = forcedState(train, one, use, how);
    const forces = meshForces(solved, borne);
    const meshes = [...forces].map(([mesh, found]) => [
      mesh,
      {
        tangentialN: found?.tangentialN ?? null,
        radialN: found?.radialN ?? null,
        axialN: found?.axialN ?? null,
        perMmN: found?.perMmN ?? null,
        pitchSpeedMs: found?.pitchSpeedMs ?? null,
        copies: found?.copies ?? null,
      },
    ]);
    const members = [...memberForces(train, forces)].map(([member, { shaft, lacks, ...found }]) => [
      member,
      {
        bearings: shaft?.bearings ?? null,
        thrustN: shaft?.thrustN ?? null,
        bendingNm: shaft?.bendingNm ?? null,
        ...found,
        lacks,
      },
    ]);
    const couplers = Object.fromEntries(couplerForces(solved, borne.torqueNm));
    return [id, { meshes: Object.fromEntries(meshes), members: Object.fromEntries(members), couplers }];
  });
  const ranked = rankWheels(train, use, { ...how, positions: wanted.map(({ id }) => id) });
  const ranking = ranked.map(({ contact, ...wheel }) => ({
    ...wheel,
    contactMPa: contact?.pressureMPa ?? null,
    contactPosition: contact?.position ?? null,
    contactMesh: contact?.mesh ?? null,
  }));
  return { torqueNm: use.torqueNm, flow: how.flow, positions: Object.fromEntries(positions), ranking };
}
