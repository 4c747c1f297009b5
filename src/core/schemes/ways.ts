import { partitions, type Partition, type Partitions } from './partitions';

/** A way to join the sets: what is one member, and which of these is on the frame, −1 for none. */
export interface JoiningWay<Kind> {
  readonly kind: Kind;
  readonly partition: Partition;
  readonly frame: number;
}

/** Ways of several kinds, by number. */
export interface Ways<Kind> {
  readonly count: number;
  readonly at: (number: number) => JoiningWay<Kind>;
}

/** What kinds of ways have in common: how many blocks there are, and whether one of them is fixed. */
interface Blocks {
  readonly blocks: number;
  readonly fixed: boolean;
}

/** All ways to join so many sets, see partitions. */
export function waysOf<Kind extends Blocks>(
  sets: number,
  kinds: readonly Kind[],
  orders: readonly (readonly number[])[],
  locked = 0,
): Ways<Kind> {
  const known = new Map<number, Partitions>();
  const listed = (blocks: number) => {
    const made = known.get(blocks) ?? partitions(sets, blocks, orders, locked);
    known.set(blocks, made);
    return made;
  };
  const ranges: { readonly kind: Kind; readonly list: Partitions; readonly from: number }[] = [];
  let count = 0;
  for (const kind of kinds) {
    const list = listed(kind.blocks);
    ranges.push({ kind, list, from: count });
    count += list.count * (kind.fixed ? kind.blocks : 1);
  }
  return {
    count,
    at: (number) => {
      const { kind, list, from } = ranges.findLast((range) => range.from <= number) as (typeof ranges)[number];
      const own = number - from;
      const frames = kind.fixed ? kind.blocks : 1;
      return {
        kind,
        partition: list.at(Math.floor(own / frames)),
        frame: kind.fixed ? own % frames : -1,
      };
    },
  };
}

/** Of each central member the member it is in: blocks without the one on the frame, which is −1. */
export const membersIn = ({ partition, frame }: Pick<JoiningWay<unknown>, 'partition' | 'frame'>): readonly number[] =>
  partition.map((block) => (block === frame ? -1 : frame >= 0 && block > frame ? block - 1 : block));
