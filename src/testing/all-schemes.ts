import { standingRatio, type GivenSet, type SchemeQuestion } from '@/core/schemes';
import { toNumber } from '@/core/rational';

/** What a walk without any cutting finds for one choice of connections, input and output. */
export interface PlainFinding {
  readonly key: string;
  readonly worst: number;
  readonly elements: number;
}

/**
 * Every scheme of these sets with so many elements engaged, by trying everything: all ways to join, all frames, all
 * ends, all choices of elements, all choices of positions. Shares nothing with the search but its question.
 * @param looksAt which ways to join are looked at
 */
export function allSchemes(
  question: SchemeQuestion,
  engaged: number,
  looksAt: (blocks: readonly (readonly number[])[]) => boolean = () => true,
): readonly PlainFinding[] {
  const sets = question.sets as readonly GivenSet[];
  const members = sets.length + 1 + engaged;
  const found: PlainFinding[] = [];
  for (const blocks of joins(3 * sets.length)) {
    if (!looksAt(blocks)) continue;
    for (const frame of [-1, ...blocks.keys()]) {
      const own = blocks.filter((_, i) => i !== frame);
      const bare = members - own.length;
      if (bare < 0 || bare > 2) continue;
      const all = [...own, ...Array.from({ length: bare }, () => [] as number[])];
      found.push(...withEnds(question, sets, all, engaged, bare));
    }
  }
  return found;
}

/** All ways to put so many things into blocks, no two of one set together. */
function joins(size: number): readonly (readonly (readonly number[])[])[] {
  let all: (readonly (readonly number[])[])[] = [[]];
  for (let one = 0; one < size; one++)
    all = all.flatMap((blocks) => [
      [...blocks, [one]],
      ...blocks.flatMap((block, i) =>
        block.some((other) => Math.floor(other / 3) === Math.floor(one / 3))
          ? []
          : [blocks.map((own, k) => (k === i ? [...own, one] : own))],
      ),
    ]);
  return all;
}

type Pair = readonly [number, number | null];

function withEnds(
  question: SchemeQuestion,
  sets: readonly GivenSet[],
  members: readonly (readonly number[])[],
  engaged: number,
  bare: number,
): readonly PlainFinding[] {
  const places = members.map((_, i) => i);
  const isBare = (m: number) => m >= members.length - bare;
  const pairs: Pair[] = [
    ...places.filter((m) => !isBare(m)).map((m) => [m, null] as const),
    ...places.flatMap((a) => places.filter((b) => b > a).map((b) => [a, b] as const)),
  ];
  const rows = sets.map((set, i) => {
    const standing = standingRatio(set);
    const row = places.map(() => 0);
    [1, standing - 1, -standing].forEach((factor, k) => {
      const at = members.findIndex((joined) => joined.includes(3 * i + k));
      if (at >= 0) row[at] = (row[at] ?? 0) + factor;
    });
    return row;
  });
  if (rank(rows) < rows.length) return [];
  const motions = choices(pairs.length, engaged).flatMap((chosen) => {
    const speeds = motionOf([
      ...rows,
      ...chosen.map((k) => places.map((m) => (m === pairs[k]![0] ? 1 : m === pairs[k]![1] ? -1 : 0))),
    ]);
    return speeds ? [{ chosen, speeds }] : [];
  });
  return places.flatMap((input) =>
    places.flatMap((output) => {
      if (input === output) return [];
      if (bare === 1 && !isBare(input) && !isBare(output)) return [];
      if (bare === 2 && (input !== members.length - 2 || output !== members.length - 1)) return [];
      const best = bestPositions(question, members, pairs, motions, input, output);
      return best ? [{ ...best, key: plainKey(members, input, output, sets.length) }] : [];
    }),
  );
}

interface Motion {
  readonly chosen: readonly number[];
  readonly speeds: readonly number[];
}

function bestPositions(
  { forward, tolerance, reverse, atMost, brakes, clutches }: SchemeQuestion,
  members: readonly (readonly number[])[],
  pairs: readonly Pair[],
  motions: readonly Motion[],
  input: number,
  output: number,
): Omit<PlainFinding, 'key'> | null {
  const driving = motions.flatMap(({ chosen, speeds }) => {
    const [drive, driven] = [speeds[input]!, speeds[output]!];
    return Math.abs(drive) < 1e-9 || Math.abs(driven) < 1e-9 ? [] : [{ chosen, ratio: drive / driven }];
  });
  const lists = forward.map((wish) =>
    driving.flatMap(({ chosen, ratio }) => {
      const off = Math.abs(ratio / toNumber(wish) - 1);
      return off <= tolerance + 1e-12 ? [{ chosen, off }] : [];
    }),
  );
  const back: readonly (readonly number[])[] =
    reverse === 'none' ? [[]] : driving.flatMap(({ chosen, ratio }) => (ratio < 0 ? [chosen] : []));
  const alone = members.flatMap((joined, m) => (joined.length === 1 && m !== input && m !== output ? [m] : []));
  let best: Omit<PlainFinding, 'key'> | null = null;
  const take = (at: number, taken: readonly (readonly number[])[], worst: number): void => {
    const list = lists[at];
    if (list) {
      for (const { chosen, off } of list)
        if (!taken.some((one) => one.join() === chosen.join())) take(at + 1, [...taken, chosen], Math.max(worst, off));
      return;
    }
    for (const last of back) {
      const used = [...new Set([...taken.flat(), ...last])];
      const held = used.filter((k) => pairs[k]![1] === null).length;
      if (used.length > atMost || held > (brakes ?? atMost) || used.length - held > (clutches ?? atMost)) continue;
      if (alone.some((m) => !used.some((k) => pairs[k]!.includes(m)))) continue;
      const isBetter =
        !best || worst < best.worst - 1e-12 || (worst < best.worst + 1e-12 && used.length < best.elements);
      if (isBetter) best = { worst, elements: used.length };
    }
  };
  take(0, [], 0);
  return best;
}

/** The same for the same connections, in whatever order they are listed. */
export function plainKey(members: readonly (readonly number[])[], input: number, output: number, sets: number): string {
  const named = (joined: readonly number[]) => [...joined].sort((a, b) => a - b).join('+') || 'shaft';
  const frame = Array.from({ length: 3 * sets }, (_, i) => i).filter((one) => !members.flat().includes(one));
  return `${members.map(named).sort().join(' ')} | ${named(frame)} | ${named(members[input]!)} > ${named(members[output]!)}`;
}

function choices(count: number, of: number, from = 0): number[][] {
  if (of === 0) return [[]];
  return Array.from({ length: count - from }, (_, i) => from + i).flatMap((first) =>
    choices(count, of - 1, first + 1).map((rest) => [first, ...rest]),
  );
}

function reduced(rows: readonly (readonly number[])[]): { readonly rows: number[][]; readonly pivots: number[] } {
  const left = rows.map((row) => [...row]);
  const pivots: number[] = [];
  for (let column = 0; column < (rows[0]?.length ?? 0); column++) {
    const at = pivots.length;
    const best = left
      .map((row, i) => ({ i, size: i < at ? 0 : Math.abs(row[column]!) }))
      .sort((a, b) => b.size - a.size)[0];
    if (!best || best.size < 1e-9) continue;
    [left[at], left[best.i]] = [left[best.i]!, left[at]!];
    const pivot = left[at]![column]!;
    left[at] = left[at]!.map((value) => value / pivot);
    left.forEach((row, i) => {
      if (i !== at) left[i] = row.map((value, k) => value - row[column]! * left[at]![k]!);
    });
    pivots.push(column);
  }
  return { rows: left, pivots };
}

const rank = (rows: readonly (readonly number[])[]): number => reduced(rows).pivots.length;

/** The one motion that these rows leave; null where they leave none or more. */
function motionOf(rows: readonly (readonly number[])[]): readonly number[] | null {
  const { rows: left, pivots } = reduced(rows);
  const size = rows[0]!.length;
  if (pivots.length !== size - 1) return null;
  const free = Array.from({ length: size }, (_, i) => i).find((i) => !pivots.includes(i))!;
  const speeds = new Array<number>(size).fill(0);
  speeds[free] = 1;
  pivots.forEach((pivot, i) => (speeds[pivot] = -left[i]![free]!));
  const largest = Math.max(...speeds.map(Math.abs));
  return speeds.map((speed) => (Math.abs(speed) < 1e-9 * largest ? 0 : speed / largest));
}
