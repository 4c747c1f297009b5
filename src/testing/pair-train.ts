import type { Gear, Mesh, Train } from '@/core/train';
import { checkedTrain } from './checked-train';

type Wheel = Partial<Gear> & Pick<Gear, 'teeth'>;

interface Rest {
  readonly mesh?: Partial<Mesh>;
  readonly train?: Partial<Train>;
}

/** A train of one pair: gear "a" on the input, gear "b" on the output, mesh "ab". */
export function pairTrain(a: Wheel, b: Wheel, { mesh, train }: Rest = {}): Train {
  return checkedTrain({
    name: 'Brine pump pair',
    members: [
      { id: 'in', name: 'pinion shaft' },
      { id: 'out', name: 'wheel shaft' },
    ],
    gears: [
      { id: 'a', member: 'in', type: 'external', ...a },
      { id: 'b', member: 'out', type: 'external', ...b },
    ],
    meshes: [
      {
        id: 'ab',
        gears: ['a', 'b'],
        ...([a, b].some(({ type }) => type === 'bevel' || type === 'worm') && { sense: 'opposite' }),
        ...mesh,
      },
    ],
    couplers: [],
    positions: [{ id: '1', name: '1', engaged: [] }],
    input: 'in',
    outputs: ['out'],
    ...train,
  });
}
