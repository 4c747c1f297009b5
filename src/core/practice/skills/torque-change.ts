import { abs, compare, ONE } from '../../rational';
import { workingLines } from '../subject';
import type { AskSkill } from './skill';

const CHOICES = ['more', 'less', 'as much'] as const;

/** Ideal torque grows by in/out, as speed falls by it. */
const MEANS: Record<(typeof CHOICES)[number], string> = {
  more: 'In/out is above 1: torque grows by it, as speed falls by it.',
  less: 'In/out is below 1: speed grows, so torque falls by as much.',
  'as much': 'In/out is 1: torque and speed stay as they are.',
};

/** Whether the output gives more or less torque than is put in, without losses. */
export const torqueChange: AskSkill = (subject, draw) => {
  const place = draw.pick(subject.driving);
  if (!place) return undefined;
  const against = compare(abs(place.ratio), ONE);
  const value = against > 0 ? CHOICES[0] : against < 0 ? CHOICES[1] : CHOICES[2];
  return {
    position: place.id,
    text: `In position ${place.name}, without losses: is there more or less torque at the output than at the input?`,
    answer: { kind: 'choice', value, choices: CHOICES },
    slips: against === 0 ? [] : [{ value: against > 0 ? CHOICES[1] : CHOICES[0], slip: 'torque-like-speed' }],
    working: [...workingLines(subject, place), MEANS[value]],
  };
};
