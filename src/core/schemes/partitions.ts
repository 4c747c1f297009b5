/** Of each central member of all sets, three a set, the block it is in; blocks are numbered as they first come. */
export type Partition = readonly number[];

/** Many of them, one after the other, a byte a central member. */
export class Partitions {
  constructor(
    private readonly bytes: Int8Array,
    private readonly size: number,
  ) {}

  get count(): number {
    return this.bytes.length / this.size;
  }

  at(place: number): Partition {
    return Array.from(this.bytes.subarray(place * this.size, (place + 1) * this.size));
  }

  all(): readonly Partition[] {
    return Array.from({ length: this.count }, (_, place) => this.at(place));
  }
}

/**
 * All ways to join the central members of so many sets into so many blocks, no two of one set in one block, as
 * restricted growth strings: each is at most one more than the largest before. Of those that differ only in which of
 * equal sets is which, one.
 * @param alike permutations of the sets that change nothing
 * @param locked how many times two of one set may be in one block all the same; never all three
 */
export function partitions(
  sets: number,
  blocks: number,
  alike: readonly (readonly number[])[] = [],
  locked = 0,
): Partitions {
  const size = 3 * sets;
  const block = new Array<number>(size).fill(0);
  let [bytes, end] = [new Int8Array(1024 * size), 0];
  const keep = () => {
    if (!isFirst(block, alike)) return;
    if (end === bytes.length) {
      const more = new Int8Array(2 * bytes.length);
      more.set(bytes);
      bytes = more;
    }
    bytes.set(block, end);
    end += size;
  };
  const fill = (at: number, used: number, left: number): void => {
    if (at === size) {
      if (used === blocks) keep();
      return;
    }
    // Even if all that is left opened new blocks, there would be too few.
    if (used + (size - at) < blocks) return;
    const set = at - (at % 3);
    for (let own = 0; own <= Math.min(used, blocks - 1); own++) {
      const same = countIn(block, set, at, own);
      if (same > Math.min(left, 1)) continue;
      block[at] = own;
      fill(at + 1, Math.max(used, own + 1), left - same);
    }
  };
  fill(0, 0, locked);
  return new Partitions(bytes.slice(0, end), size);
}

/** How many members of the same set are in this block already. */
function countIn(block: Partition, from: number, to: number, own: number): number {
  let count = 0;
  for (let i = from; i < to; i++) if (block[i] === own) count++;
  return count;
}

/** Is no other of its class written before it? */
const isFirst = (block: Partition, alike: readonly (readonly number[])[]): boolean =>
  alike.every((order) => compareLists(block, permuted(block, order)) <= 0);

/** The same with the sets in another order, blocks numbered anew as they first come. */
export function permuted(block: Partition, order: readonly number[]): Partition {
  const names = new Map<number, number>();
  return order.flatMap((set) =>
    [0, 1, 2].map((i) => {
      const old = block[3 * set + i] ?? 0;
      const own = names.get(old) ?? names.size;
      names.set(old, own);
      return own;
    }),
  );
}

export function compareLists(a: readonly number[], b: readonly number[]): number {
  for (let i = 0; i < a.length; i++) {
    const difference = (a[i] ?? 0) - (b[i] ?? 0);
    if (difference !== 0) return difference;
  }
  return 0;
}

/**
 * The orders of sets that change nothing, without the one that leaves all in place.
 * @param kinds equal for equal sets
 */
export function alikeOrders(kinds: readonly string[]): readonly (readonly number[])[] {
  const orders = (left: readonly number[]): number[][] =>
    left.length === 0
      ? [[]]
      : left.flatMap((first) => orders(left.filter((one) => one !== first)).map((rest) => [first, ...rest]));
  return orders(kinds.map((_, i) => i))
    .filter((order) => order.every((set, place) => kinds[set] === kinds[place]))
    .filter((order) => order.some((set, place) => set !== place));
}
