import { abs, compare, ONE } from '../../rational';
import { workingLines } from '../subject';
import type { AskSkill } from './skill';

const CHOICES = ['more', 'less', 'as much'] as const;

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
    working: workingLines(subject, place),
  };
};
