import { listed, memberName } from '../../words';
import { workingLines } from '../subject';
import type { AskSkill } from './skill';
import { lookUp } from '../../required';

/** Which members turn and carry nothing. */
export const idle: AskSkill = (subject, draw) => {
  const { train, driving, central } = subject;
  const place = draw.pick(driving);
  if (!place) return undefined;
  const value = central.filter((id) => lookUp(place.figures, id).role === 'idle').sort();
  if (value.length === 0) return undefined;
  return {
    position: place.id,
    text: `In position ${place.name}: which members turn without carrying any torque?`,
    answer: { kind: 'parts', value, of: 'members', choices: central },
    slips: [],
    working: [`Turning idle: ${listed(value.map((id) => memberName(train, id)))}.`, ...workingLines(subject, place)],
  };
};
