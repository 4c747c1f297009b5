import { toNumber } from '../rational';
import { motionWith, openMotions, type Elements } from './motions';
import { isRanged, type SchemeQuestion } from './question';
import type { FoundScheme, Scheme, SchemeElement } from './scheme';
import { required } from '../required';

/** Forward ratios of a scheme with these standing ratios, in/out; null where a position does not drive. */
export function ratiosWith(
  { scheme, selection }: Pick<FoundScheme, 'scheme' | 'selection'>,
  standings: readonly number[],
): readonly number[] | null {
  const { members, input, output } = scheme;
  const basis = openMotions(placesOf(scheme, standings.length), standings, members.length);
  if (!basis) return null;
  const elements = asElements(selection.elements);
  const ratios = selection.forward.flatMap((engaged) => {
    const speeds = motionWith(basis, members.length, elements, engaged);
    const ratio = speeds && (speeds[input] ?? 0) / (speeds[output] ?? 0);
    return ratio !== null && ratio > 0 && Number.isFinite(ratio) ? [ratio] : [];
  });
  return ratios.length === selection.forward.length ? ratios : null;
}

function placesOf({ members }: Scheme, sets: number): readonly number[] {
  const places = new Array<number>(3 * sets).fill(-1);
  members.forEach((joined, at) => joined.forEach((central) => (places[central] = at)));
  return places;
}

const asElements = (elements: readonly SchemeElement[]): Elements => ({
  count: elements.length,
  first: Int8Array.from(elements, ({ joins }) => required(joins[0])),
  second: Int8Array.from(elements, ({ joins }) => joins[1] ?? -1),
  onBare: new Int8Array(elements.length),
});

export const worstOf = (ratios: readonly number[], { forward }: SchemeQuestion): number =>
  Math.max(...ratios.map((ratio, i) => Math.abs(ratio / toNumber(required(forward[i])) - 1)));

const [ROUNDS, STEP] = [12, 1e-6];

/**
 * Brings the standing ratios of sets that are free within a range to where the ratios are nearest to the wish:
 * Gauss–Newton on the logarithms, damped so that no step makes it worse, kept within the ranges.
 */
export function refined(question: SchemeQuestion, found: FoundScheme): FoundScheme | null {
  const free = question.sets.flatMap((set, i) => (isRanged(set) ? [{ i, range: set.ratio }] : []));
  const wishes = question.forward.map(toNumber);
  const errors = (standings: readonly number[]) =>
    ratiosWith(found, standings)?.map((ratio, i) => Math.log(ratio / required(wishes[i]))) ?? null;
  let standings = found.standings;
  let now = errors(standings);
  if (!now) return null;
  for (let round = 0, damping = 1e-3; round < ROUNDS; round++) {
    const at = now;
    const columns = free.map(({ i }) => {
      const moved = errors(standings.map((value, k) => (k === i ? value * Math.exp(STEP) : value)));
      return moved?.map((error, k) => (error - required(at[k])) / STEP) ?? null;
    });
    if (columns.some((column) => column === null)) break;
    const step = dampedStep(columns as readonly (readonly number[])[], at, damping);
    const next = standings.map((value, k) => {
      const place = free.findIndex(({ i }) => i === k);
      if (place < 0) return value;
      const [least, most] = required(free[place]).range;
      return Math.sign(value) * Math.min(most, Math.max(least, Math.abs(value) * Math.exp(step[place] ?? 0)));
    });
    const then = errors(next);
    if (then && squares(then) < squares(now)) {
      if (squares(now) - squares(then) < 1e-16) break;
      [standings, now, damping] = [next, then, damping / 10];
    } else damping *= 10;
  }
  const ratios = ratiosWith(found, standings);
  if (!ratios) return null;
  return { ...found, standings, selection: { ...found.selection, worst: worstOf(ratios, question) } };
}

const squares = (values: readonly number[]): number => values.reduce((sum, value) => sum + value * value, 0);

/** (JᵀJ + damping · diag) step = −Jᵀ error, by elimination. */
function dampedStep(columns: readonly (readonly number[])[], errors: readonly number[], damping: number): number[] {
  const dot = (a: readonly number[], b: readonly number[]) => a.reduce((sum, one, i) => sum + one * (b[i] ?? 0), 0);
  const rows = columns.map((column, i) => [
    ...columns.map((other, k) => dot(column, other) * (i === k ? 1 + damping : 1) + (i === k ? 1e-12 : 0)),
    -dot(column, errors),
  ]);
  const n = columns.length;
  for (let p = 0; p < n; p++)
    for (let r = 0; r < n; r++) {
      if (r === p) continue;
      const factor = required(rows[r]?.[p]) / required(rows[p]?.[p]);
      rows[r] = required(rows[r]).map((value, k) => value - factor * required(rows[p]?.[k]));
    }
  return rows.map((row, i) => required(row[n]) / required(row[i]));
}
