import { abs, fraction, inverse, mul } from '../../rational';
import { slipsApart, tenfoldSlips } from '../slips';
import { size, workingLines } from '../subject';
import type { AskSkill } from './skill';

/** The torque at the output for one that is put in, without losses. */
export const torque: AskSkill = (subject, draw) => {
  const place = draw.pick(subject.driving);
  // Several outputs share it out by their loads: those are asked about the other way round.
  if (!place || subject.train.outputs.length > 1) return undefined;
  const input = fraction(draw.whole(1, 12), 1);
  const right = mul(abs(place.ratio), input);
  return {
    position: place.id,
    text:
      `In position ${place.name}, without losses, the input torque is ${size(input)} N·m. ` +
      'What is the output torque, in N·m?',
    answer: { kind: 'number', value: size(right), unit: 'N·m' },
    slips: slipsApart(right, [['torque-like-speed', mul(input, inverse(abs(place.ratio)))], ...tenfoldSlips(right)]),
    working: [...workingLines(subject, place), `${size(input)} N·m × ${size(place.ratio)} = ${size(right)} N·m`],
  };
};
