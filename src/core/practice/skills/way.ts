import { sign } from '../../rational';
import { workingLines } from '../subject';
import type { AskSkill } from './skill';
import { required } from '../../required';

const CHOICES = ['same way', 'reverse'] as const;

/** Which way the output turns. */
export const way: AskSkill = (subject, draw) => {
  const place = draw.pick(subject.driving);
  if (!place) return undefined;
  const internal = subject.train.gears.some(({ type }) => type === 'internal');
  const value = sign(place.ratio) > 0 ? CHOICES[0] : CHOICES[1];
  return {
    position: place.id,
    text: `In position ${place.name}: which way does the output turn, seen against the input?`,
    answer: { kind: 'choice', value, choices: CHOICES },
    slips: [
      { value: required(CHOICES.find((one) => one !== value)), slip: internal ? 'internal-sign' : 'way-of-a-pair' },
    ],
    working: [
      ...workingLines(subject, place),
      value === 'reverse' ? 'The output turns against the input.' : 'The output turns the same way as the input.',
    ],
  };
};
