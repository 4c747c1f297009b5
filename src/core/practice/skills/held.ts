import { isZero } from '../../rational';
import { listed, memberName } from '../../words';
import { workingLines } from '../subject';
import type { AskSkill } from './skill';
import { lookUp } from '../../required';

/** Which members stand still. */
export const held: AskSkill = (subject, draw) => {
  const { train, driving, central } = subject;
  const place = draw.pick(driving);
  if (!place) return undefined;
  const stands = (id: string) => {
    const { speed } = lookUp(place.figures, id);
    return speed !== null && isZero(speed);
  };
  const value = central.filter(stands).sort();
  if (value.length === 0 || value.length === central.length) return undefined;
  return {
    position: place.id,
    text: `In position ${place.name}: which members stand still?`,
    answer: { kind: 'parts', value, of: 'members', choices: central },
    slips: [],
    working: [`At rest: ${listed(value.map((id) => memberName(train, id)))}.`, ...workingLines(subject, place)],
  };
};
