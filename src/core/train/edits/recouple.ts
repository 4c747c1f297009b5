import { FRAME } from '../frame';
import { partsById } from '../part-index';
import type { Coupler, Train } from '../schema';
import { checked, refused, type Edit } from './edit';

/** What a coupler that joins two members can be; one of both becomes a brake where an end is the frame. */
export type JoiningType = 'clutch' | 'one-way';

/**
 * Makes a coupler join other members, or be of another type. It stays where it is engaged: a clutch that positions
 * engage becomes a one-way clutch that is selectable.
 * @param change `joins` in the coupler's order: what a one-way clutch pushes is named second
 */
export function recouple(
  train: Train,
  id: string,
  change: { readonly joins?: readonly [string, string]; readonly type?: JoiningType },
): Edit {
  const coupler = partsById(train).find.coupler(id);
  if (!coupler) return refused(`There is no coupler "${id}".`);
  if (!('joins' in coupler)) return refused('A sliding mesh joins its two gears, wherever they are.');
  const joins = change.joins ?? coupler.joins;
  if (joins[0] === joins[1]) return refused('Choose two different members to join.');
  const type = change.type ?? (coupler.type === 'one-way' ? 'one-way' : 'clutch');
  const selectable = type === 'one-way' && coupler.type !== 'one-way' && isEngagedSomewhere(train, id);
  return checked({
    ...train,
    couplers: train.couplers.map((other) => (other === coupler ? made(coupler, type, joins, selectable) : other)),
  });
}

function made(
  coupler: Extract<Coupler, { joins: unknown }>,
  type: JoiningType,
  [a, b]: readonly [string, string],
  selectable: boolean,
): Coupler {
  const { control, ...plain } = { control: undefined, ...coupler };
  const joins: [string, string] = [a, b];
  if (type === 'one-way')
    return {
      ...plain,
      type,
      joins,
      ...(selectable ? { control: 'selectable' as const } : control !== undefined && { control }),
    };
  return { ...plain, type: joins.includes(FRAME) ? 'brake' : 'clutch', joins };
}

const isEngagedSomewhere = ({ positions }: Train, id: string): boolean =>
  positions.some(({ engaged }) => engaged.some((coupler) => coupler === id));
