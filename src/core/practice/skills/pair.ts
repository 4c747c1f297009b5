import { fraction, inverse } from '../../rational';
import { slipsApart, tenfoldSlips } from '../slips';
import { size } from '../subject';
import type { AskSkill } from './skill';
import { partsById } from '../../train';

/** The ratio of one pair of gears. */
export const pair: AskSkill = ({ train }, draw) => {
  const mesh = draw.pick(train.meshes);
  if (!mesh) return undefined;
  const gears = draw.shuffled(mesh.gears).map((id) => partsById(train).gear(id));
  const [driver, driven] = gears as [(typeof gears)[0], (typeof gears)[0]];
  // A worm has starts, and is not driven by its wheel.
  if (driver.type === 'worm' || driven.type === 'worm') return undefined;
  const right = fraction(driven.teeth, driver.teeth);
  return {
    position: null,
    text:
      `A gear of ${driver.teeth} teeth drives one of ${driven.teeth}, both on shafts that ` +
      'stay where they are. What is the ratio of the pair (in/out)?',
    answer: { kind: 'number', value: size(right), unit: '' },
    slips: slipsApart(right, [['upside-down', inverse(right)], ...tenfoldSlips(right)]),
    working: [`driven over driver: ${driven.teeth}/${driver.teeth} = ${size(right)}`],
  };
};
