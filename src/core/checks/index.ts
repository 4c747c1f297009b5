import type { Train } from '../train';
import { axisFindings } from './axes';
import { distanceFindings } from './distances';
import type { Finding } from './finding';
import { idleCouplerFindings } from './idle-couplers';
import { meshFindings } from './meshes';
import { oneWayFindings } from './one-ways';
import { planetFindings } from './planets';
import { positionFindings, type Use } from './positions';
import { thrustFindings } from './thrust';
import { wheelFindings } from './wheels';

export { timingOf, type TimingMark } from './assembly';
export type { Finding, FindingFix } from './finding';
export { fixEffects, type Change } from './effect';
export type { Use } from './positions';
export { tipSpeed, USUAL_TIP_SPEEDS } from './speeds';
export { touchingFindings } from './touching';

/**
 * Everything that is wrong with a train or worth knowing about it, what is wrong first; speeds and capacities for how
 * it is used.
 */
export function checkDesign(train: Train, use: Use = {}): readonly Finding[] {
  const all = [
    ...axisFindings(train),
    ...oneWayFindings(train),
    ...idleCouplerFindings(train),
    ...positionFindings(train, use),
    ...distanceFindings(train),
    ...planetFindings(train),
    ...meshFindings(train),
    ...wheelFindings(train),
    ...thrustFindings(train),
  ];
  return [...all.filter(({ weight }) => weight === 'wrong'), ...all.filter(({ weight }) => weight === 'note')];
}
