import { driveBackward, type BackwardVerdict } from '../../solve';
import type { AskSkill } from './skill';

const CHOICES = ['yes', 'no'] as const;

const MEANS: Record<BackwardVerdict, string> = {
  drives: 'Turned at the output, the input turns along.',
  slips: 'Turned at the output, a one-way clutch overruns: the input does not follow.',
  jams: 'Turned at the output, the train jams.',
  'nothing connected': 'Nothing that is engaged leads from the output to the input.',
};

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
    working: [MEANS[verdict]],
  };
};
