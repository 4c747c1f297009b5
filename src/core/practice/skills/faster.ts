import { abs, compare, ONE } from '../../rational';
import { workingLines } from '../subject';
import type { AskSkill } from './skill';

const CHOICES = ['faster', 'slower', 'as fast'] as const;

const MEANS: Record<(typeof CHOICES)[number], string> = {
  slower: 'In/out is above 1: the input makes more turns than the output.',
  faster: 'In/out is below 1: the output makes more turns than the input.',
  'as fast': 'In/out is 1: both make as many turns.',
};

/** Whether the output turns faster or slower than the input. */
export const faster: AskSkill = (subject, draw) => {
  const place = draw.pick(subject.driving);
  if (!place) return undefined;
  const against = compare(abs(place.ratio), ONE);
  const value = against < 0 ? CHOICES[0] : against > 0 ? CHOICES[1] : CHOICES[2];
  return {
    position: place.id,
    text: `In position ${place.name}: does the output turn faster or slower than the input?`,
    answer: { kind: 'choice', value, choices: CHOICES },
    slips: against === 0 ? [] : [{ value: against < 0 ? CHOICES[1] : CHOICES[0], slip: 'upside-down' }],
    working: [...workingLines(subject, place), MEANS[value]],
  };
};
