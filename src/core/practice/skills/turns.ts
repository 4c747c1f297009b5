import { abs, fraction, inverse, mul } from '../../rational';
import { slipsApart, tenfoldSlips } from '../slips';
import { bracketedSize, size, workingLines } from '../subject';
import type { AskSkill } from './skill';

/** How far the output turns while the crank makes some turns. */
export const turns: AskSkill = (subject, draw) => {
  const place = draw.pick(subject.driving);
  if (!place) return undefined;
  const crank = fraction(draw.whole(2, 24), 1);
  const right = mul(crank, inverse(abs(place.ratio)));
  return {
    position: place.id,
    text: `In position ${place.name}: the crank makes ${size(crank)} turns. How many does the output make?`,
    answer: { kind: 'number', value: size(right), unit: 'turns' },
    slips: slipsApart(right, [['upside-down', mul(crank, abs(place.ratio))], ...tenfoldSlips(right)]),
    working: [
      ...workingLines(subject, place),
      `${size(crank)} turns / ${bracketedSize(place.ratio)} = ${size(right)} turns`,
    ],
  };
};
