import { geometryOf, pitchRadius } from '../geometry';
import { toNumber } from '../rational';
import type { Solved } from '../solve';
import { partsById, type Gear, type Member, type Train } from '../train';
import { contactPlaces } from './contacts';
import { densityOf } from './materials';
import type { ForcesUse } from './mesh-forces';

const RADIANS_PER_RPM = Math.PI / 30;
const M_PER_MM = 1e-3;

/**
 * What turning with its carrier pulls one copy of each planet outward by, N: F = m r ω², its gears taken as full discs
 * of their pitch circles, less their bores. On the carrier as a whole equal copies cancel.
 * @returns by planet; without those of which the speed, a material, a width or a module is not known
 */
export function turningForces(solved: Solved, { speedRpm }: ForcesUse): ReadonlyMap<string, number> {
  const { train, memberIds } = solved.network;
  const parts = partsById(train);
  const found = new Map<string, number>();
  if (speedRpm === null) return found;
  for (const { member, carrier, copy, from } of contactPlaces(train)) {
    if (found.has(member) || copy !== 0 || carrier === null || !from.carrier) continue;
    const turns = solved.state.speeds.of(memberIds.indexOf(carrier));
    const planet = parts.member(member);
    const mass = massOf(train, planet);
    // A carrier that is a planet itself turns about no fixed line.
    if (turns === null || mass === null || parts.member(carrier).carrier !== undefined) continue;
    const radius = Math.hypot(from.carrier.x - from.own.x, from.carrier.y - from.own.y) * M_PER_MM;
    found.set(member, mass * radius * (toNumber(turns) * speedRpm * RADIANS_PER_RPM) ** 2);
  }
  return found;
}

/** kg of all gears of a member; null where one of them is not known. */
function massOf(train: Train, { id }: Member): number | null {
  const { moduleMm } = geometryOf(train);
  const mass = ({ material, faceWidth, bore = 0, ...gear }: Gear): number | null => {
    const moduleHere = moduleMm(gear.id);
    if (!material || faceWidth === undefined || moduleHere === null) return null;
    const radius = pitchRadius(gear, moduleHere);
    return densityOf(material) * Math.PI * (radius ** 2 - (bore / 2) ** 2) * faceWidth * M_PER_MM ** 3;
  };
  return partsById(train)
    .gearsOn(id)
    .map(mass)
    .reduce<number | null>((sum, one) => (sum === null || one === null ? null : sum + one), 0);
}
