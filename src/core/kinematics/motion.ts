import { add, div, equals, isZero, mul, neg, ONE, ZERO, type Rational, entryAt } from '../rational';
import { FRAME_INDEX, joinRow, meshRow, type MemberIndex } from './network';
import { inCoordinates, derivedOnce, type Coordinates, type Joint, type OpenTrain, type Tie } from './open-train';
import { itemAt } from '../required';

/** What an engagement leaves of the open train's motion. */
export interface FreeMotion {
  readonly open: OpenTrain;
  /** Each coordinate of the open train as a combination of those that are still free. */
  readonly basis: readonly Coordinates[];
  /** The coordinates that are still free; their number is the mobility. */
  readonly free: readonly number[];
}

/** The motion with nothing engaged. */
export const openMotion = (open: OpenTrain): FreeMotion => derivedOnce(open, freeMotion);

function freeMotion(open: OpenTrain): FreeMotion {
  const free = Array.from({ length: open.size }, (_, i) => i);
  return { open, basis: free.map((i) => free.map((j) => (i === j ? ONE : ZERO))), free };
}

/**
 * A tie's row in the open train's coordinates. A coupler's tie comes back in every position, so rows are kept for as
 * long as their ties.
 */
export function tieRow(open: OpenTrain, tie: Tie): Coordinates {
  const rows = derivedOnce(open, noRows);
  let row = rows.get(tie);
  if (!row)
    rows.set(
      tie,
      (row = inCoordinates(
        open,
        tie.kind === 'joins' ? joinRow(tie.a, tie.b, tie.times) : meshRow(itemAt(open.network.meshes, tie.mesh)),
      )),
    );
  return row;
}

const noRows = (): WeakMap<Tie, Coordinates> => new WeakMap();

/** Dimension of the motion that is left. */
export const mobility = ({ free }: FreeMotion): number => free.length;

/**
 * Imposes ties on a motion; the motion given is left as it was, so that a walk can go back to it. A tie that holds
 * already changes nothing.
 */
export function imposeTies(motion: FreeMotion, ties: Iterable<Tie>): FreeMotion {
  let at = motion;
  for (const tie of ties) at = impose(at, tieRow(motion.open, tie));
  return at;
}

function impose(motion: FreeMotion, row: Coordinates): FreeMotion {
  const { open, basis, free } = motion;
  const reduced = overFree(motion, row);
  const at = leastUsed(motion, reduced);
  if (at < 0) return motion;
  const pivot = itemAt(free, at);
  const scale = neg(entryAt(reduced, at));
  const next = basis.map((combination) => {
    const factor = entryAt(combination, pivot);
    if (isZero(factor)) return combination;
    const step = div(factor, scale);
    const replaced = combination.slice();
    replaced[pivot] = ZERO;
    for (let i = 0; i < free.length; i++) {
      const coordinate = itemAt(free, i);
      if (i !== at && !isZero(entryAt(reduced, i)))
        replaced[coordinate] = add(entryAt(replaced, coordinate), mul(step, entryAt(reduced, i)));
    }
    return replaced;
  });
  return { open, basis: next, free: free.filter((coordinate) => coordinate !== pivot) };
}

/**
 * The free coordinate that is best replaced: the one that fewest others lean on, and the input's own last, so that
 * speeds stay short fractions of the input's. −1 where the row is zero.
 */
function leastUsed({ open, basis, free }: FreeMotion, reduced: readonly Rational[]): number {
  let best = -1;
  let least = Infinity;
  for (let i = 0; i < reduced.length; i++) {
    if (isZero(entryAt(reduced, i))) continue;
    const coordinate = itemAt(free, i);
    let uses = isZero(itemAt(itemAt(open.speeds, open.network.input), coordinate)) ? 0 : basis.length;
    for (const combination of basis) if (!isZero(entryAt(combination, coordinate))) uses++;
    if (uses < least) [best, least] = [i, uses];
  }
  return best;
}

/** A row over the open train's coordinates, read in the free ones. */
function overFree({ basis, free }: FreeMotion, row: Coordinates): Rational[] {
  const result = new Array<Rational>(free.length).fill(ZERO);
  for (let v = 0; v < row.length; v++) {
    const factor = entryAt(row, v);
    if (isZero(factor)) continue;
    const combination = itemAt(basis, v);
    for (let i = 0; i < free.length; i++) {
      const value = itemAt(combination, itemAt(free, i));
      if (!isZero(value)) result[i] = add(entryAt(result, i), mul(factor, value));
    }
  }
  return result;
}

/** A member's speed in the free coordinates. */
export const memberForm = (motion: FreeMotion, member: MemberIndex): Coordinates =>
  overFree(motion, member === FRAME_INDEX ? [] : itemAt(motion.open.speeds, member));

/** By how much a joint's second member runs ahead of its first, in the free coordinates. */
export const leadForm = (motion: FreeMotion, tie: Joint): Coordinates =>
  overFree(motion, tieRow(motion.open, tie)).map(neg);

/** Is this member forced to stand? */
export const isStationary = (motion: FreeMotion, member: MemberIndex): boolean =>
  memberForm(motion, member).every(isZero);

/**
 * Speeds per turn of one member: another is determined when its speed is a fixed multiple of the driver's in every
 * motion that is left.
 */
export interface Speeds {
  /** False when the driver is forced to stand. */
  readonly turns: boolean;
  /** The member's speed, or null where the motion leaves it open. */
  of(member: MemberIndex): Rational | null;
  /** ω_b − ω_a, which can be determined where neither speed is. */
  difference(a: MemberIndex, b: MemberIndex): Rational | null;
}

/** Reads a motion with the driver turning at `speed`. Each member is worked out once, when first asked for. */
export function speedsPerTurn(motion: FreeMotion, driver: MemberIndex, speed: Rational = ONE): Speeds {
  const drive = memberForm(motion, driver);
  const key = drive.findIndex((value) => !isZero(value));
  const scale = key < 0 ? ZERO : div(speed, entryAt(drive, key));
  const read = key >= 0 && drive.length === 1 ? singleMotion(motion, scale) : anyMotion(motion, drive, key, scale);
  const known = new Map<MemberIndex, Rational | null>([[FRAME_INDEX, ZERO]]);
  return {
    turns: key >= 0,
    of(member) {
      let found = known.get(member);
      if (found === undefined) known.set(member, (found = read(itemAt(motion.open.speeds, member))));
      return found;
    },
    difference: (a, b) => read(inCoordinates(motion.open, joinRow(b, a))),
  };
}

/** With one freedom left every coordinate turns at its own multiple of the driver. */
function singleMotion({ basis, free }: FreeMotion, scale: Rational): (row: Coordinates) => Rational {
  const turns = basis.map((combination) => mul(entryAt(combination, itemAt(free, 0)), scale));
  return (row) => {
    let total = ZERO;
    for (let v = 0; v < row.length; v++)
      if (!isZero(entryAt(row, v))) total = add(total, mul(entryAt(row, v), entryAt(turns, v)));
    return total;
  };
}

/** With more, a row is determined when it is a multiple of the driver's. */
function anyMotion(
  motion: FreeMotion,
  drive: Coordinates,
  key: number,
  scale: Rational,
): (row: Coordinates) => Rational | null {
  return (row) => {
    const vector = overFree(motion, row);
    if (key < 0) return vector.every(isZero) ? ZERO : null;
    const value = entryAt(vector, key);
    for (let i = 0; i < drive.length; i++) {
      if (i === key || (isZero(entryAt(vector, i)) && (isZero(entryAt(drive, i)) || isZero(value)))) continue;
      if (!equals(mul(entryAt(vector, i), entryAt(drive, key)), mul(value, entryAt(drive, i)))) return null;
    }
    return mul(value, scale);
  };
}
