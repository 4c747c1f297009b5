import { listed, memberName } from '../../words';
import { workingLines } from '../subject';
import type { AskSkill } from './skill';

/** Which members belong to a set that turns as one block. */
export const block: AskSkill = (subject, draw) => {
  const { train, driving, central } = subject;
  const place = draw.pick(driving);
  const value = central.filter((id) => place?.figures.get(id)?.block).sort();
  if (!place || value.length === 0) return undefined;
  return {
    position: place.id,
    text: `In position ${place.name}: which members belong to a set that turns as one block?`,
    answer: { kind: 'parts', value, of: 'members', choices: central },
    slips: [],
    working: [
      `As one block: ${listed(value.map((id) => memberName(train, id)))}; in such a set nothing rolls on its teeth.`,
      ...workingLines(subject, place),
    ],
  };
};
