import { isZero } from '../../rational';
import { listed, memberName } from '../../words';
import type { Ask } from './skill';

/** Which members stand still. */
export const held: Ask = ({ train, driving }, draw) => {
  const place = draw.pick(driving);
  if (!place) return undefined;
  const value = [...place.figures.values()].filter(({ speed }) => speed && isZero(speed)).map(({ id }) => id).sort(); // prettier-ignore
  if (value.length === 0) return undefined;
  return {
    position: place.id,
    text: `In position ${place.name}: which members stand still?`,
    answer: { kind: 'parts', value },
    slips: [],
    working: [`${listed(value.map((id) => memberName(train, id)))}.`],
  };
};
