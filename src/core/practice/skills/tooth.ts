import { abs, equals, inverse } from '../../rational';
import { solveEngaged } from '../../solve';
import { memberName } from '../../words';
import { slipsApart, tenfoldSlips } from '../slips';
import { size, workingLines } from '../subject';
import type { AskSkill } from './skill';
import { modelOf } from '../../model';
import { partsById } from '../../train';

/** What a position's ratio becomes when a gear has one tooth more. */
export const tooth: AskSkill = (subject, draw) => {
  const { train, driving } = subject;
  const place = draw.pick(driving);
  const mesh = draw.pick(train.meshes);
  if (!place || !mesh) return undefined;
  const [id, other] = draw.shuffled(mesh.gears) as [string, string];
  const gear = partsById(train).gear(id);
  // A worm's count is its starts: one more makes another worm.
  if (gear.type === 'worm') return undefined;
  const ratioWith = (gear: string) => {
    const gears = train.gears.map((one) => (one.id === gear ? { ...one, teeth: one.teeth + 1 } : one));
    return solveEngaged(modelOf({ ...train, gears }).open, place.engaged).ratio;
  };
  const right = ratioWith(id);
  // A tooth that changes nothing there asks nothing.
  if (!right || equals(right, place.ratio)) return undefined;
  return {
    position: place.id,
    text:
      `The gear of ${gear.teeth} teeth on ${memberName(train, gear.member)} is replaced by one of ` +
      `${gear.teeth + 1}. What is the ratio of position ${place.name} then (in/out)?`,
    answer: { kind: 'number', value: size(right), unit: '' },
    slips: slipsApart(right, [
      ['one-tooth-on-the-other', ratioWith(other)],
      ['upside-down', inverse(abs(right))],
      ...tenfoldSlips(right),
    ]),
    working: [...workingLines(subject, place), `with ${gear.teeth + 1} teeth: ${size(right)}`],
  };
};
