import { FRAME_INDEX, type MemberIndex } from '../kinematics';
import { isZero, sign } from '../rational';
import type { Solved } from '../solve';

/** Tooth counts by the gear's place in the document. */
export type Counts = ArrayLike<number>;

const SMALL = 1e-12;

/**
 * A position's ratio, negative where the output turns against the input, as a function of the tooth counts, in floating
 * point, without the train being built anew: what is engaged, and which one-way clutches hold, stays as it was solved.
 * Members joined are one unknown; each mesh in is one row z_a (ω_a − ω_c) + σ z_b (ω_b − ω_c) = 0; with the input at 1
 * the rows are reduced (Gauss and Jordan) and the output's speed is read off. NaN where the counts leave it open or let
 * nothing turn.
 */
export function ratioFunction({ network, state, flow }: Solved): (counts: Counts) => number {
  const classOf = classes(
    network.memberIds.length,
    state.joints.map(({ tie }) => [tie.a, tie.b] as const),
  );
  const gearAt = new Map(network.train.gears.map(({ id }, i) => [id, i]));
  const output = flow.receivers.find((member) => {
    const speed = state.speeds.of(member);
    return speed !== null && !isZero(speed);
  })!;
  const unknowns = new Map<number, number>();
  const [frame, input] = [classOf(FRAME_INDEX), classOf(flow.driver)];
  const column = (member: MemberIndex): number => {
    const own = classOf(member);
    if (own === frame) return -2;
    if (own === input) return -1;
    if (!unknowns.has(own)) unknowns.set(own, unknowns.size);
    return unknowns.get(own)!;
  };
  const rows = state.meshes.map(({ mesh, a, b, arm, zb }) => ({
    first: gearAt.get(mesh.gears[0])!,
    second: gearAt.get(mesh.gears[1])!,
    sense: sign(zb),
    a: column(a),
    b: column(b),
    arm: column(arm),
  }));
  const wanted = column(output);
  const width = unknowns.size + 1;
  const matrix = rows.map(() => new Float64Array(width));
  if (wanted === -1) return () => 1;
  // With the input at 1, the ratio is the output's speed upside down.
  return (counts) => {
    rows.forEach(({ first, second, sense, a, b, arm }, i) => {
      const row = matrix[i]!.fill(0);
      const put = (at: number, value: number) => {
        // The input's speed is 1, so its term is the constant.
        if (at >= -1) row[at === -1 ? width - 1 : at]! += value;
      };
      const [za, zb] = [counts[first]!, sense * counts[second]!];
      put(a, za);
      put(b, zb);
      put(arm, -za - zb);
    });
    return 1 / solveFor(matrix, width, wanted);
  };
}

/**
 * The value of one unknown in rows Σ c_i x_i + c = 0; NaN where it is not determined, or the rows contradict each
 * other.
 */
function solveFor(rows: readonly Float64Array[], width: number, wanted: number): number {
  const used = new Uint8Array(rows.length);
  let found = NaN;
  const pivots: { row: number; column: number }[] = [];
  for (let column = 0; column < width - 1; column++) {
    let best = -1;
    for (let i = 0; i < rows.length; i++)
      if (
        !used[i] &&
        Math.abs(rows[i]![column]!) > SMALL &&
        (best < 0 || Math.abs(rows[i]![column]!) > Math.abs(rows[best]![column]!))
      )
        best = i;
    if (best < 0) continue;
    used[best] = 1;
    pivots.push({ row: best, column });
    const pivot = rows[best]!;
    for (let i = 0; i < rows.length; i++) {
      const factor = rows[i]![column]! / pivot[column]!;
      if (i === best || factor === 0) continue;
      for (let k = column; k < width; k++) rows[i]![k]! -= factor * pivot[k]!;
      rows[i]![column] = 0;
    }
  }
  for (let i = 0; i < rows.length; i++) if (!used[i] && Math.abs(rows[i]![width - 1]!) > 1e-9) return NaN;
  for (const { row, column } of pivots) {
    if (column !== wanted) continue;
    const own = rows[row]!;
    for (let k = 0; k < width - 1; k++) if (k !== column && Math.abs(own[k]!) > 1e-9) return NaN;
    found = -own[width - 1]! / own[column]!;
  }
  return found;
}

/** Members that turn as one: each gets the number of the first of its own. */
function classes(
  count: number,
  joined: readonly (readonly [MemberIndex, MemberIndex])[],
): (member: MemberIndex) => number {
  const parent = Array.from({ length: count + 1 }, (_, i) => i);
  const root = (at: number): number => (parent[at] === at ? at : (parent[at] = root(parent[at]!)));
  // The frame, −1, stands at 0.
  for (const [a, b] of joined) parent[root(a + 1)] = root(b + 1);
  return (member) => root(member + 1);
}
