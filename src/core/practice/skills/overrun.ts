import { couplerName } from '../../words';
import { workingLines } from '../subject';
import type { AskSkill } from './skill';

const CHOICES = ['it holds', 'it overruns'] as const;

/** Whether a one-way clutch holds or is overrun. */
export const overrun: AskSkill = (subject, draw) => {
  const place = draw.pick(subject.driving);
  const own = draw.pick([...(place?.solved.state.oneWays ?? [])]);
  if (!place || !own) return undefined;
  const [id, how] = own;
  return {
    position: place.id,
    text:
      `In position ${place.name}: does the one-way clutch ` +
      `${couplerName(subject.train, id)} hold, or does it overrun?`,
    answer: { kind: 'choice', value: how === 'holds' ? CHOICES[0] : CHOICES[1], choices: CHOICES },
    slips: [],
    working: workingLines(subject, place),
  };
};
