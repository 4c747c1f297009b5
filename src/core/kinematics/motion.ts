import { accumulate, div, equals, mul, ONE, solveFor, ZERO, type Combination, type Rational } from '../rational';
import { FRAME_INDEX, joinRow, meshRow, type MemberIndex, type Network } from './network';

/**
 * Everything a set of rows leaves possible: each variable as a combination of the free coordinates.
 * A basis of the null space, kept in solved form, so that one more row is one substitution.
 */
type Basis = readonly Combination[];

const freeBasis = (size: number): Basis => Array.from({ length: size }, (_, i) => new Map([[i, ONE]]));

/** The row, read in the free coordinates. */
function inCoordinates(basis: Basis, row: Combination): Map<number, Rational> {
  const result = new Map<number, Rational>();
  for (const [variable, factor] of row) accumulate(result, factor, basis[variable]!);
  return result;
}

/** Imposes rows, one after the other; a row that already holds changes nothing. */
function constrain(basis: Basis, rows: Iterable<Combination>): Basis {
  const result = [...basis];
  for (const row of rows) {
    const reduced = inCoordinates(result, row);
    if (reduced.size === 0) continue;
    const pivot = rarest(reduced, result);
    const terms = solveFor(reduced, pivot);
    for (let i = 0; i < result.length; i++) {
      const factor = result[i]!.get(pivot);
      if (factor === undefined) continue;
      const next = new Map(result[i]!);
      next.delete(pivot);
      accumulate(next, factor, terms);
      result[i] = next;
    }
  }
  return result;
}

/** The coordinate that the fewest variables lean on: the cheapest to replace. */
function rarest(row: Combination, basis: Basis): number {
  const keys = [...row.keys()];
  if (keys.length === 1) return keys[0]!;
  const uses = keys.map((key) => basis.reduce((count, combination) => (combination.has(key) ? count + 1 : count), 0));
  return keys[uses.indexOf(Math.min(...uses))]!;
}

/** A train with nothing engaged: its members' speeds in the coordinates of its open motion. Factored once. */
export interface OpenTrain {
  readonly network: Network;
  /** Each member's speed in the coordinates 0 … size − 1. */
  readonly speeds: Basis;
  readonly size: number;
}

/** Solves the meshes that are always in. `leaveOut` drops one mesh, to ask what it alone drives. */
export function openTrain(network: Network, leaveOut = -1): OpenTrain {
  const always = network.meshes.filter((mesh, i) => mesh.slidBy === null && i !== leaveOut);
  const basis = constrain(freeBasis(network.memberIds.length), always.map(meshRow));
  const names = new Map<number, number>();
  const speeds = basis.map((combination) => {
    const renamed = new Map<number, Rational>();
    for (const [key, value] of combination) {
      if (!names.has(key)) names.set(key, names.size);
      renamed.set(names.get(key)!, value);
    }
    return renamed;
  });
  return { network, speeds, size: names.size };
}

/** What is engaged, in the open train's coordinates. */
export interface Motion {
  readonly open: OpenTrain;
  readonly basis: Basis;
}

/** A joint between two members, or a mesh, that is to be imposed. */
export type Tie = { readonly kind: 'joins'; readonly a: MemberIndex; readonly b: MemberIndex } | { readonly kind: 'mesh'; readonly mesh: number };

export const openMotion = (open: OpenTrain): Motion => ({ open, basis: freeBasis(open.size) });

/** Imposes ties on a motion; the motion given is left as it was, so a depth-first walk can go back to it. */
export function engage(motion: Motion, ties: Iterable<Tie>): Motion {
  const { open } = motion;
  const rows: Combination[] = [];
  for (const tie of ties) {
    const row = tie.kind === 'joins' ? joinRow(tie.a, tie.b) : meshRow(open.network.meshes[tie.mesh]!);
    rows.push(inCoordinates(open.speeds, row));
  }
  return rows.length === 0 ? motion : { open, basis: constrain(motion.basis, rows) };
}

/** Dimension of the motion that is left. */
export function mobility(motion: Motion): number {
  const left = new Set<number>();
  for (const combination of motion.basis) for (const key of combination.keys()) left.add(key);
  return left.size;
}

/** A member's speed in the coordinates that are left. */
export const freedom = (motion: Motion, member: MemberIndex): Combination =>
  member === FRAME_INDEX ? STILL : inCoordinates(motion.basis, motion.open.speeds[member]!);

const STILL: Combination = new Map();

/**
 * Speeds per turn of one member: a member is determined when its speed is that multiple of the driver's
 * in every solution.
 */
export interface Speeds {
  /** False when the driver is forced to stand. */
  readonly turns: boolean;
  /** The member's speed, or null where the motion leaves it open. */
  of(member: MemberIndex): Rational | null;
  /** ω_b − ω_a, which can be determined where neither speed is. */
  difference(a: MemberIndex, b: MemberIndex): Rational | null;
}

/** Reads a motion with the driver turning at `speed` (per unit). */
export function speedsPerTurn(motion: Motion, driver: MemberIndex, speed: Rational = ONE): Speeds {
  const drive = freedom(motion, driver);
  const first = drive.entries().next();
  if (first.done) return { turns: false, of: (m) => (freedom(motion, m).size === 0 ? ZERO : null), difference: () => null };
  const [key, unit] = first.value;
  const scale = div(speed, unit);
  const multiple = (combination: Combination): Rational | null => {
    if (combination.size === 0) return ZERO;
    if (combination.size !== drive.size) return null;
    const value = combination.get(key);
    if (value === undefined) return null;
    if (drive.size > 1) {
      for (const [other, part] of drive) {
        const found = combination.get(other);
        if (found === undefined || !equals(mul(found, unit), mul(part, value))) return null;
      }
    }
    return mul(value, scale);
  };
  return {
    turns: true,
    of: (member) => multiple(freedom(motion, member)),
    difference: (a, b) => multiple(inCoordinates(motion.basis, inCoordinates(motion.open.speeds, joinRow(b, a)))),
  };
}
