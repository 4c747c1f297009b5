import { couplerForces, memberForces, meshForces, rankWheels, type ForcesUse } from '@/core/forces';
import { modelOf } from '@/core/model';
import type { Train } from '@/core/train';
import { SPEED_UNITS, TORQUE_UNITS } from '@/core/units';
import type { Options } from './options';

/** Forces on teeth, pins and bearings of every position, or of one, at an input torque; 1 N·m where none is given. */
export function forcesJson(
  train: Train,
  { torque, speed, position, losses }: Pick<Options, 'torque' | 'speed' | 'position' | 'losses'>,
): unknown {
  const use: ForcesUse = {
    torqueNm: torque ? torque.value * TORQUE_UNITS[torque.unit] : 1,
    speedRpm: speed ? (speed.value * SPEED_UNITS[speed.unit]) / SPEED_UNITS.rpm : null,
  };
  const wanted = train.positions.filter(({ id }) => position === undefined || id === position);
  const positions = wanted.map(({ id }) => {
    const solved = modelOf(train).solvedIn(id, { losses });
    const forces = meshForces(solved, use);
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
    const couplers = Object.fromEntries(couplerForces(solved, use.torqueNm));
    return [id, { meshes: Object.fromEntries(meshes), members: Object.fromEntries(members), couplers }];
  });
  const ranking = rankWheels(train, use, { losses, positions: wanted.map(({ id }) => id) });
  return { torqueNm: use.torqueNm, positions: Object.fromEntries(positions), ranking };
}
