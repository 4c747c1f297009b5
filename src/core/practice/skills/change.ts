import { couplerName } from '../../words';
import type { AskSkill } from './skill';

/** What is released and what is engaged between two positions. */
export const change: AskSkill = ({ train, places }, draw) => {
  const able = train.couplers
    .filter((one) => one.type !== 'one-way' || one.control === 'selectable')
    .map(({ id }) => id);
  const [from, to] = draw.shuffled(places);
  if (!from || !to) return undefined;
  const off = from.engaged.filter((id) => !to.engaged.includes(id));
  const on = to.engaged.filter((id) => !from.engaged.includes(id));
  const value = [...off, ...on].sort();
  if (value.length === 0) return undefined;
  const names = (ids: readonly string[]) => ids.map((id) => couplerName(train, id)).join(', ') || 'nothing';
  return {
    position: from.id,
    text: `From position ${from.name} to ${to.name}: which couplers are released and which are engaged?`,
    answer: { kind: 'parts', value, of: 'couplers', choices: able },
    slips:
      off.length > 0 && on.length > 0
        ? [off, on].map((half) => ({ value: [...half].sort().join(), slip: 'half-a-change' }))
        : [],
    working: [`Released: ${names(off)}.`, `Engaged: ${names(on)}.`],
  };
};
