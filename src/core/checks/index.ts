import type { Train } from '../train';
import { distanceFindings } from './distances';
import type { Finding } from './finding';
import { meshFindings } from './meshes';
import { planetFindings } from './planets';
import { positionFindings } from './positions';

export type { Finding } from './finding';

/** Everything that is wrong with a train or worth knowing about it, what is wrong first. */
export function checkDesign(train: Train): readonly Finding[] {
  const all = [...positionFindings(train), ...distanceFindings(train), ...planetFindings(train), ...meshFindings(train)];
  return [...all.filter(({ weight }) => weight === 'wrong'), ...all.filter(({ weight }) => weight === 'note')];
}
