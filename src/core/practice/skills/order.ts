import { abs, compare, sign } from '../../rational';
import { size } from '../subject';
import type { AskSkill } from './skill';

const MOST = 6;

/** Forward positions in their order, the slowest output first. */
export const order: AskSkill = ({ driving }, draw) => {
  const forward = draw.shuffled(driving.filter(({ ratio }) => sign(ratio) > 0));
  const apart = forward
    .filter((one, i) => forward.findIndex((other) => compare(one.ratio, other.ratio) === 0) === i)
    .slice(0, MOST);
  if (apart.length < 3) return undefined;
  const sorted = [...apart].sort((a, b) => compare(abs(b.ratio), abs(a.ratio)));
  return {
    position: null,
    text: `Put these positions in order, the slowest output first: ${apart.map(({ name }) => name).join(', ')}.`,
    answer: { kind: 'order', value: sorted.map(({ id }) => id), of: 'positions', choices: apart.map(({ id }) => id) },
    slips: [
      {
        value: sorted
          .map(({ id }) => id)
          .reverse()
          .join(),
        slip: 'the-other-way-round',
      },
    ],
    working: sorted.map(({ name, ratio }) => `${name}: ${size(ratio)} in/out`),
  };
};
