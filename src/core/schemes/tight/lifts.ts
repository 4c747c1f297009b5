import { bits } from '../element-set';
import { openMotions } from '../motions';
import { placeIn, wishesOf, type WishTable } from '../wish-table';
import { beforeParting, type Pair, type Parting } from './partings';

/**
 * Whether the parted train gives every wish with its own element and one group of others: each element of the group may
 * have taken hold of either side of what was joined.
 * @param standings of each set
 * @param members how many the parted train has
 */
export class Lifts {
  private readonly basis: Float64Array | null;

  constructor(
    private readonly parting: Parting,
    standings: readonly number[],
    private readonly members: number,
    private readonly table: WishTable,
  ) {
    this.basis = openMotions(parting.memberOf, standings, members);
  }

  /**
   * @param group elements of the coarse train
   * @param given the wishes that two of these give together with the element that is engaged for good
   */
  give(group: readonly Pair[], given: number): boolean {
    const { basis, table } = this;
    if (!basis) return false;
    const missing = (1 << table.wishes.length) - 1 - given;
    const triples = (group.length * (group.length - 1) * (group.length - 2)) / 6;
    if (bits(missing) > triples) return false;
    const ways = group.map((pair) =>
      beforeParting(pair, this.parting.from, this.members - 1).map((one) => this.rowOf(basis, one)),
    );
    const rows: Float64Array[] = [];
    /** Triples that give nothing that is missing are spared while there are more of them than missing wishes. */
    const extend = (left: number, spare: number): boolean => {
      if (left === 0) return true;
      const way = ways[rows.length];
      if (!way) return false;
      return way.some((row) => {
        let [open, unused] = [left, spare];
        for (let i = 0; i < rows.length; i++)
          for (let k = i + 1; k < rows.length; k++) {
            const wishes = this.wishesOf(basis, row, rows[i] as Float64Array, rows[k] as Float64Array) & open;
            if (wishes === 0 && --unused < 0) return false;
            open &= ~wishes;
          }
        rows.push(row);
        const found = extend(open, unused);
        rows.pop();
        return found;
      });
    };
    return extend(missing, triples - bits(missing));
  }

  private rowOf(basis: Float64Array, [a, b]: Pair): Float64Array {
    const row = new Float64Array(FREEDOMS);
    for (let k = 0; k < FREEDOMS; k++)
      row[k] = (basis[k * this.members + a] as number) - (b < 0 ? 0 : (basis[k * this.members + b] as number));
    return row;
  }

  /** The motion at right angles to three rows of four numbers, as far as the ends turn in it. */
  private wishesOf(basis: Float64Array, u: Float64Array, v: Float64Array, w: Float64Array): number {
    const { input, output } = this.parting;
    const { members, table } = this;
    let [drive, driven, largest] = [0, 0, 0];
    for (let k = 0; k < FREEDOMS; k++) {
      const [p, q, r] = AROUND[k] as readonly [number, number, number];
      const minor =
        (u[p] as number) * ((v[q] as number) * (w[r] as number) - (v[r] as number) * (w[q] as number)) -
        (u[q] as number) * ((v[p] as number) * (w[r] as number) - (v[r] as number) * (w[p] as number)) +
        (u[r] as number) * ((v[p] as number) * (w[q] as number) - (v[q] as number) * (w[p] as number));
      const factor = k % 2 === 0 ? minor : -minor;
      drive += factor * (basis[k * members + input] as number);
      driven += factor * (basis[k * members + output] as number);
      largest = Math.max(largest, Math.abs(minor));
    }
    if (largest < STILL || Math.abs(driven) < STILL * largest) return 0;
    const ratio = drive / driven;
    return table.near[placeIn(ratio * table.step)] === 0 ? 0 : wishesOf(table, ratio);
  }
}

const FREEDOMS = 4;
const STILL = 1e-9;
/** The other three of four places. */
const AROUND = [
  [1, 2, 3],
  [0, 2, 3],
  [0, 1, 3],
  [0, 1, 2],
] as const;
