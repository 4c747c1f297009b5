import { driveBackward } from '../../solve';
import type { AskSkill } from './skill';

const CHOICES = ['yes', 'no'] as const;

/** Whether turning the output turns the input. */
export const backward: AskSkill = ({ open, driving }, draw) => {
  const place = draw.pick(driving);
  if (!place) return undefined;
  const { verdict } = driveBackward(open, place.engaged);
  return {
    position: place.id,
    text: `In position ${place.name}: can the input be turned by turning the output?`,
    answer: { kind: 'choice', value: verdict === 'drives' ? 'yes' : 'no', choices: CHOICES },
    slips: [],
    working: [`Driven from the output: ${verdict}.`],
  };
};
