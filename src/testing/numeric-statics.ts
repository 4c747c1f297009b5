import { Matrix, SVD } from 'ml-matrix';
import { networkOf } from '@/core/kinematics';
import { toNumber } from '@/core/rational';
import type { Train } from '@/core/train';

const NOTHING = 1e-9;

/** What passes between the members that a mesh or a coupler joins, in floating point. */
export interface Passing {
  readonly kind: 'mesh' | 'coupler';
  readonly id: string;
  /** The carrier of a mesh; null where its axes stand still. */
  readonly arm: string | null;
  /** Torque put on each member it touches, per unit put in. */
  readonly torques: ReadonlyMap<string, number>;
}

/**
 * A second route to torques: the multipliers of all rows by singular values, in floating point, from the plain balance
 * of every member. Nothing of the exact core's statics is used. Null where more than one set of multipliers balances,
 * or none. @param holds the one-way clutches that push
 */
export function numericStatics(
  train: Train,
  engaged: ReadonlySet<string>,
  holds: ReadonlySet<string>,
): { readonly passing: readonly Passing[]; readonly output: number } | null {
  const network = networkOf(train);
  const size = network.memberIds.length;
  const empty = (): number[] => new Array<number>(size).fill(0);
  const put = (row: number[], member: number, value: number): void => {
    if (member >= 0) row[member]! += value;
  };
  const rows: {
    readonly kind: Passing['kind'];
    readonly id: string;
    readonly arm: string | null;
    readonly row: number[];
  }[] = [];
  for (const { mesh, a, b, arm, za, zb, slidBy } of network.meshes) {
    if (slidBy !== null && !engaged.has(network.couplers[slidBy]!.coupler.id)) continue;
    const row = empty();
    const [na, nb] = [toNumber(za), toNumber(zb)];
    put(row, a, na);
    put(row, b, nb);
    put(row, arm, -na - nb);
    rows.push({ kind: 'mesh', id: mesh.id, arm: arm < 0 ? null : network.memberIds[arm]!, row });
  }
  for (const { coupler, acts } of network.couplers) {
    if (acts.kind !== 'joins' || !(coupler.type === 'one-way' ? holds : engaged).has(coupler.id)) continue;
    const row = empty();
    put(row, acts.a, 1);
    put(row, acts.b, -1);
    rows.push({ kind: 'coupler', id: coupler.id, arm: null, row });
  }
  const load = empty();
  put(load, network.outputs[0]!, 1);
  const columns = [...rows.map(({ row }) => row), load];
  const balance = new Matrix(size, columns.length);
  columns.forEach((column, j) => column.forEach((value, i) => balance.set(i, j, value)));
  const wanted = Matrix.zeros(size, 1);
  wanted.set(network.input, 0, -1);
  const svd = new SVD(balance, { autoTranspose: true });
  if (svd.rank < columns.length) return null;
  const solution = svd.solve(wanted);
  if (balance.mmul(solution).sub(wanted).norm() > 1e-7) return null;
  const passing = rows.map(({ kind, id, arm, row }, j): Passing => {
    const lambda = solution.get(j, 0);
    const acting = row.flatMap((value, i): [string, number][] => {
      const torque = lambda * value;
      return Math.abs(torque) > NOTHING ? [[network.memberIds[i]!, torque]] : [];
    });
    return { kind, id, arm, torques: new Map(acting) };
  });
  return { passing, output: solution.get(columns.length - 1, 0) };
}
