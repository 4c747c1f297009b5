import { accumulate, add, div, isZero, mul, neg, ONE, sub, ZERO, type Rational, entryAt } from '../rational';
import type { MemberVector } from '../kinematics';
import { itemAt, lookUp } from '../required';

/**
 * The balance of the members solved for the mesh torques once and for all: given what else acts on the members, each
 * mesh's λ follows by substitution. Sparse elimination of the members' equations Σ_k column_k[m] λ_k + q_m = 0; the
 * next equation is the one with fewest unknowns left (Markowitz), so chains of gears fall out one by one and nothing
 * fills in.
 */
export interface MeshFactor {
  /** Meshes that add nothing to the rows of the others: their λ is an unknown of its own. */
  readonly redundant: ReadonlySet<number>;
  /** λ of every mesh (the redundant ones at zero) that balances the other torques, one for each member. */
  solve(acting: readonly Rational[]): Rational[];
}

interface Step {
  readonly member: number;
  readonly unknown: number;
  readonly pivot: Rational;
  /** The equation's other unknowns, all solved later. */
  readonly rest: readonly (readonly [number, Rational])[];
  /** Equations from which this one was subtracted, and how many times. */
  readonly subtracted: readonly (readonly [number, Rational])[];
}

/** @param columns for each mesh, what one unit of its λ puts on the members. */
export function factorMeshes(columns: readonly MemberVector[], members: number): MeshFactor {
  const rows: Map<number, Rational>[] = Array.from({ length: members }, () => new Map());
  columns.forEach((column, k) =>
    column.forEach(([member, value]) => accumulate(itemAt(rows, member), value, new Map([[k, ONE]]))),
  );
  const usedIn: Set<number>[] = columns.map(() => new Set());
  rows.forEach((row, member) => row.forEach((_, k) => itemAt(usedIn, k).add(member)));
  const open = new Set(rows.keys());
  const steps: Step[] = [];
  for (let member = shortest(rows, open); member !== null; member = shortest(rows, open)) {
    open.delete(member);
    const row = itemAt(rows, member);
    const unknown = [...row.keys()].reduce((best, k) =>
      itemAt(usedIn, k).size < itemAt(usedIn, best).size ? k : best,
    );
    const pivot = lookUp(row, unknown);
    row.forEach((_, k) => itemAt(usedIn, k).delete(member));
    const subtracted = [...itemAt(usedIn, unknown)].map((other): readonly [number, Rational] => {
      const target = itemAt(rows, other);
      const factor = div(lookUp(target, unknown), pivot);
      accumulate(target, neg(factor), row);
      for (const k of row.keys()) {
        if (target.has(k)) itemAt(usedIn, k).add(other);
        else itemAt(usedIn, k).delete(other);
      }
      return [other, factor];
    });
    steps.push({ member, unknown, pivot, rest: [...row].filter(([k]) => k !== unknown), subtracted });
  }
  const solved = new Set(steps.map(({ unknown }) => unknown));
  return {
    redundant: new Set([...columns.keys()].filter((k) => !solved.has(k))),
    solve: (acting) => substitute(steps, acting, columns.length),
  };
}

function shortest(rows: readonly Map<number, Rational>[], open: ReadonlySet<number>): number | null {
  let best: number | null = null;
  for (const member of open) {
    const { size } = itemAt(rows, member);
    if (size === 0 || (best !== null && itemAt(rows, best).size <= size)) continue;
    best = member;
    if (size === 1) break;
  }
  return best;
}

/** Forward through the recorded subtractions, then back from the last equation to the first. */
function substitute(steps: readonly Step[], given: readonly Rational[], unknowns: number): Rational[] {
  const acting = given.slice();
  for (const { member, subtracted } of steps) {
    const torque = entryAt(acting, member);
    if (isZero(torque)) continue;
    for (const [other, factor] of subtracted) acting[other] = sub(entryAt(acting, other), mul(factor, torque));
  }
  const lambda = new Array<Rational>(unknowns).fill(ZERO);
  for (let i = steps.length - 1; i >= 0; i--) {
    const { member, unknown, pivot, rest } = itemAt(steps, i);
    let total = entryAt(acting, member);
    for (const [k, value] of rest) if (!isZero(entryAt(lambda, k))) total = add(total, mul(value, entryAt(lambda, k)));
    lambda[unknown] = isZero(total) ? ZERO : neg(div(total, pivot));
  }
  return lambda;
}
