import { abs, fraction, inverse, isZero, mul } from '../../rational';
import { memberName } from '../../words';
import { slipsApart, tenfoldSlips } from '../slips';
import { size, workingLines } from '../subject';
import type { AskSkill } from './skill';

/** How fast a member turns for an input speed. */
export const speed: AskSkill = (subject, draw) => {
  const { train } = subject;
  const place = draw.pick(subject.driving);
  const turning = [...(place?.figures.values() ?? [])].filter(
    (one) => one.speed && !isZero(one.speed) && one.id !== train.input,
  );
  const member = draw.pick(turning);
  if (!place || !member?.speed) return undefined;
  const input = fraction(draw.whole(2, 30) * 30, 1);
  const right = mul(abs(member.speed), input);
  return {
    position: place.id,
    text:
      `In position ${place.name} the input turns at ${size(input)} rpm. How fast ` +
      `does ${memberName(train, member.id)} turn, in rpm?`,
    answer: { kind: 'number', value: size(right), unit: 'rpm' },
    slips: slipsApart(right, [['upside-down', mul(input, inverse(abs(member.speed)))], ...tenfoldSlips(right)]),
    working: [
      ...workingLines(subject, place),
      `${size(member.speed)} turns for one of the input, at ${size(input)} rpm: ${size(right)} rpm`,
    ],
  };
};
