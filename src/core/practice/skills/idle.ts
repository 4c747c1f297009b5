import { listed, memberName } from '../../words';
import type { Ask } from './skill';

/** Which members turn and carry nothing. */
export const idle: Ask = ({ train, driving }, draw) => {
  const place = draw.pick(driving);
  if (!place) return undefined;
  const value = [...place.figures.values()].filter(({ role }) => role === 'idle').map(({ id }) => id).sort(); // prettier-ignore
  if (value.length === 0) return undefined;
  return {
    position: place.id,
    text: `In position ${place.name}: which members turn without carrying any torque?`,
    answer: { kind: 'parts', value },
    slips: [],
    working: [`${listed(value.map((id) => memberName(train, id)))}.`],
  };
};
