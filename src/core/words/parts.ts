import { FRAME, type Coupler, type Gear, type PartRef, type Train, partsById } from '../train';
import { couplerName, gearName, memberName, whichGear } from './names';

export const gearWords = (train: Train, gear: Gear): string =>
  `Gear on ${memberName(train, gear.member)}, ${gear.teeth} teeth${whichGear(train, gear)}`;

const COUPLER_KIND: Record<Coupler['type'], string> = {
  clutch: 'Clutch',
  brake: 'Brake',
  'one-way': 'One-way clutch',
  'sliding-mesh': 'Sliding mesh',
};

/** "Clutch C, in with r3s4", "Brake A on s12". */
export function couplerWords(train: Train, coupler: Coupler): string {
  const head = `${COUPLER_KIND[coupler.type]} ${couplerName(train, coupler.id)}`;
  if (!('joins' in coupler)) {
    const gears = partsById(train).find.mesh(coupler.mesh)?.gears ?? [];
    const [a, b] = gears.map((id) => memberName(train, partsById(train).find.gear(id)?.member ?? FRAME));
    return `${head}, ${a} with ${b}`;
  }
  const [a, b] = coupler.joins;
  if (a === FRAME || b === FRAME) return `${head} on ${memberName(train, a === FRAME ? b : a)}`;
  return `${head}, ${memberName(train, a)} with ${memberName(train, b)}`;
}

/** What a part is called in a sentence. */
export function partWords(train: Train, { kind, id }: PartRef): string {
  const gear = kind === 'gear' ? partsById(train).find.gear(id) : undefined;
  if (gear) return `gear ${gearName(train, gear)}`;
  return kind === 'coupler' ? couplerName(train, id) : memberName(train, id);
}
