import { powerFlow } from '../../powerflow';
import { memberName } from '../../words';
import type { AskSkill } from './skill';
import { itemAt } from '../../required';

/** Through which members power goes, one after the other. */
export const path: AskSkill = ({ train, driving, central }, draw) => {
  const place = draw.pick(driving);
  const flow = place && powerFlow(place.solved);
  // Power that is shared or goes round has no one order.
  if (!flow || flow.paths.length !== 1 || flow.recirculating.length > 0) return undefined;
  const value = itemAt(flow.paths, 0)
    .stops.filter(({ kind }) => kind === 'member')
    .map(({ id }) => id);
  if (value.length < 2 || value.some((id) => !central.includes(id))) return undefined;
  return {
    position: place.id,
    text:
      `In position ${place.name}: through which members does power go? Take ` +
      'them in order, from the input to the output.',
    answer: { kind: 'order', value, of: 'members', choices: central },
    slips: [{ value: [...value].reverse().join(), slip: 'the-other-way-round' }],
    working: [value.map((id) => memberName(train, id)).join(' → ')],
  };
};
