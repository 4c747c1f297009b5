import type { CoarseTrain } from './coarse-trains';

/**
 * A train of which a coarse one is made by engaging one element: the parted-off member, the last, is what the element
 * joins to another member, or holds.
 */
export interface Parting {
  /** Of each central member the member it is in, −1 on the frame. */
  readonly memberOf: readonly number[];
  /** The member from which the last was parted; −1 for the frame. */
  readonly from: number;
  readonly input: number;
  readonly output: number;
  /** The shafts of their own: input, output, both or none. */
  readonly bareInput: boolean;
  readonly bareOutput: boolean;
}

/** Every train of which this one is made, with this input and output, and no two members of one set joined. */
export function partingsOf(
  { memberOf, bare }: CoarseTrain,
  members: number,
  input: number,
  output: number,
): readonly Parting[] {
  const isBare = (end: number) => bare === 1 && end === members - 1;
  const ends = { input, output, bareInput: isBare(input), bareOutput: isBare(output) };
  const found: Parting[] = [];
  if (!isLocked(memberOf)) {
    if (!ends.bareInput) found.push({ ...ends, memberOf, from: input, input: members, bareInput: true });
    if (!ends.bareOutput) found.push({ ...ends, memberOf, from: output, output: members, bareOutput: true });
  }
  for (let from = -1; from < members; from++) {
    const centrals = memberOf.flatMap((member, central) => (member === from ? [central] : []));
    // All may leave the frame; of a member the first stays, or each parting would be told twice.
    const movable = from < 0 ? centrals : centrals.slice(1);
    for (let choice = 1; choice < 1 << movable.length; choice++) {
      const parted = [...memberOf];
      movable.forEach((central, i) => {
        if (choice & (1 << i)) parted[central] = members;
      });
      if (isLocked(parted)) continue;
      for (const own of from === input ? [input, members] : [input])
        for (const driven of from === output ? [output, members] : [output])
          found.push({ ...ends, memberOf: parted, from, input: own, output: driven });
    }
  }
  return found;
}

/** Are two members of one set in one? */
function isLocked(memberOf: readonly number[]): boolean {
  for (let set = 0; set < memberOf.length; set += 3)
    if (
      memberOf[set] === memberOf[set + 1] ||
      memberOf[set] === memberOf[set + 2] ||
      memberOf[set + 1] === memberOf[set + 2]
    )
      return true;
  return false;
}

/** An element: a clutch of two members, or a brake (the second is −1). */
export type Pair = readonly [number, number];

/** What an element of the coarse train may have been before: whatever took hold of the parted member. */
export function beforeParting([a, b]: Pair, from: number, parted: number): readonly Pair[] {
  if (a === from)
    return b < 0
      ? [
          [a, b],
          [parted, b],
        ]
      : [
          [a, b],
          [b, parted],
        ];
  if (b === from)
    return [
      [a, b],
      [a, parted],
    ];
  return [[a, b]];
}
