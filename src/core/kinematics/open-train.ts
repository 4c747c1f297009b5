import {
  accumulate,
  add,
  isZero,
  mul,
  ONE,
  solveFor,
  ZERO,
  type LinearCombination,
  type Rational,
  entryAt,
} from '../rational';
import { FRAME_INDEX, meshRow, type MemberIndex, type Network, type NetworkMesh } from './network';
import { itemAt, lookUp } from '../required';

/** A short vector over a few coordinates, one value for each. */
export type Coordinates = readonly Rational[];

/**
 * A train with nothing engaged: the meshes that are always in, solved. Each member's speed is a combination of a few
 * free coordinates (a basis of the null space of the mesh rows); everything a position adds is a short row in those.
 */
export interface OpenTrain {
  readonly network: Network;
  /** Each member's speed in the coordinates. */
  readonly speeds: readonly Coordinates[];
  /** Number of coordinates: the mobility of the open train. */
  readonly size: number;
  /** What has been derived from this train already; see derivedOnce. */
  readonly kept: Map<unknown, unknown>;
}

/** What `make` derives from an open train, made once and kept with it. */
export function derivedOnce<T>(open: OpenTrain, make: (open: OpenTrain) => T): T {
  if (!open.kept.has(make)) open.kept.set(make, make(open));
  return open.kept.get(make) as T;
}

/** What can be imposed on a motion: two members that turn as one (or b at `times` the speed of a), or a mesh. */
export type Tie = Joint | { readonly kind: 'mesh'; readonly mesh: number };

export interface Joint {
  readonly kind: 'joins';
  readonly a: MemberIndex;
  readonly b: MemberIndex;
  /** ω_b = times · ω_a; 1 where it is left out. */
  readonly times?: Rational;
}

/** Torques or speeds given on a few members. */
export type MemberVector = readonly (readonly [MemberIndex, Rational])[];

/** Solves the meshes given, by default those that are always in. */
export function openTrain(network: Network, meshes: readonly NetworkMesh[] = alwaysIn(network)): OpenTrain {
  const basis = network.memberIds.map((_, member): LinearCombination => new Map([[member, ONE]]));
  for (const mesh of meshes) impose(basis, meshRow(mesh), network.input);
  const names = new Map<number, number>();
  for (const combination of basis)
    for (const key of combination.keys()) if (!names.has(key)) names.set(key, names.size);
  const speeds = basis.map((combination) => {
    const vector = new Array<Rational>(names.size).fill(ZERO);
    for (const [key, value] of combination) vector[lookUp(names, key)] = value;
    return vector;
  });
  return { network, speeds, size: names.size, kept: new Map() };
}

export const alwaysIn = (network: Network): readonly NetworkMesh[] =>
  network.meshes.filter(({ slidBy }) => slidBy === null);

/**
 * One row more: the coordinate that the fewest members lean on is replaced by the others, the input's own only where
 * there is no other.
 */
function impose(basis: LinearCombination[], row: LinearCombination, input: MemberIndex): void {
  const reduced = new Map<number, Rational>();
  for (const [member, factor] of row) accumulate(reduced, factor, itemAt(basis, member));
  if (reduced.size === 0) return;
  const keys = [...reduced.keys()];
  const pivot = rarest(keys.length > 1 ? keys.filter((key) => key !== input) : keys, basis);
  const terms = solveFor(reduced, pivot);
  for (let i = 0; i < basis.length; i++) {
    const factor = itemAt(basis, i).get(pivot);
    if (factor === undefined) continue;
    const next = new Map(itemAt(basis, i));
    next.delete(pivot);
    accumulate(next, factor, terms);
    basis[i] = next;
  }
}

function rarest(keys: readonly number[], basis: readonly LinearCombination[]): number {
  if (keys.length === 1) return itemAt(keys, 0);
  const uses = keys.map((key) => basis.reduce((count, combination) => (combination.has(key) ? count + 1 : count), 0));
  return itemAt(keys, uses.indexOf(Math.min(...uses)));
}

/**
 * What a vector over the members comes to in each coordinate: a row's coefficients, or a torque's generalised force.
 */
export function inCoordinates(
  { speeds, size }: OpenTrain,
  vector: Iterable<readonly [MemberIndex, Rational]>,
): Coordinates {
  const result = new Array<Rational>(size).fill(ZERO);
  for (const [member, factor] of vector) {
    if (member === FRAME_INDEX || isZero(factor)) continue;
    const speed = itemAt(speeds, member);
    for (let c = 0; c < size; c++)
      if (!isZero(entryAt(speed, c))) result[c] = add(entryAt(result, c), mul(factor, entryAt(speed, c)));
  }
  return result;
}
