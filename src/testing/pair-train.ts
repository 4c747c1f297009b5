import { checkTrain, problemText, type Gear, type Mesh, type Train } from '@/core/train';

type Wheel = Partial<Gear> & Pick<Gear, 'teeth'>;

interface Rest {
  readonly mesh?: Partial<Mesh>;
  readonly train?: Partial<Train>;
}

/** A train of one pair: gear "a" on the input, gear "b" on the output, mesh "ab". */
export function pairTrain(a: Wheel, b: Wheel, { mesh, train }: Rest = {}): Train {
  const read = checkTrain({
    format: 'tin-wheel/train',
    version: 1,
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
  if (!read.ok) throw new Error(read.problems.map(problemText).join('\n'));
  return read.train;
}
