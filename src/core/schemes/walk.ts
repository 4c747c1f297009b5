import { toNumber } from '../rational';
import { FoundSchemes } from './found-schemes';
import { gather } from './gather';
import { layoutsFor, type Layout } from './layouts';
import { alikeOrders, countPartitions, partitions } from './partitions';
import type { SchemeQuestion } from './question';
import type { FoundScheme } from './scheme';
import { bestSelection } from './select';
import { speedLimits } from './speed-limits';
import { systemOf, type System } from './system';
import { leadingWishes, wishTable, type WishTable } from './wish-table';

/** How far a walk is. */
export interface Walk {
  readonly found: FoundSchemes;
  /** Ways to join the sets that have been looked at, of so many. */
  readonly walked: number;
  readonly of: number;
  /** All of them were. */
  readonly whole: boolean;
}

export interface WalkOptions {
  readonly tolerance?: number;
  /** Told after each way to join; a walk that is over ends there. */
  readonly isOver?: (walk: Walk) => boolean;
  /** Whether a scheme that gives the wish keeps within the limits that its motion does not tell. */
  readonly admits?: (found: FoundScheme) => boolean;
  readonly found?: FoundSchemes;
}

/**
 * Walks through all schemes of these sets and keeps those that give the wish. Every way to join the central members
 * (partitions, one fixed or none, shafts of their own) is opened once: its motions with every choice of as many
 * elements as leave one, by which all choices of input and output are told together. Then, for each of these, one
 * choice for each wished ratio, see matchWishes.
 * @param standings of each set, speed of sun over speed of ring with the carrier held
 */
export function walkSchemes(
  question: SchemeQuestion,
  standings: readonly number[],
  { tolerance = question.tolerance, isOver = () => false, admits = () => true, found: into }: WalkOptions = {},
): Walk {
  const found = into ?? new FoundSchemes(question);
  const wishes = question.forward.map(toNumber);
  const orders = alikeOrders(question.sets.map(({ id: _, ...set }, i) => JSON.stringify([set, standings[i]])));
  const of = spaceOf(question, orders);
  let walked = 0;
  for (const layout of layoutsFor(question)) {
    const leading = leadingWishes(wishes, question.atMost - layout.engaged);
    const listed = wishTable(leading, tolerance);
    for (const partition of partitions(question.sets.length, layout.blocks, orders))
      for (const frame of framesOf(layout)) {
        const system = systemOf(question, layout, partition, frame, standings);
        if (system)
          for (const one of schemesIn(question, system, standings, { wishes, tolerance }, listed, admits))
            found.add(one, orders);
        walked++;
        if (isOver({ found, walked, of, whole: walked === of })) return { found, walked, of, whole: walked === of };
      }
  }
  return { found, walked, of, whole: true };
}

const framesOf = ({ fixed, blocks }: Layout): readonly number[] =>
  fixed ? Array.from({ length: blocks }, (_, i) => i) : [-1];

/** How many ways to join there are to be walked through. */
const spaceOf = (question: SchemeQuestion, orders: readonly (readonly number[])[]): number =>
  layoutsFor(question).reduce(
    (sum, { blocks, fixed }) => sum + countPartitions(question.sets.length, blocks, orders) * (fixed ? blocks : 1),
    0,
  );

/** By choice of input and output the best elements, where there are such. */
export function schemesIn(
  question: SchemeQuestion,
  system: System,
  standings: readonly number[],
  { wishes, tolerance }: { readonly wishes: readonly number[]; readonly tolerance: number },
  listed: WishTable,
  admits: (found: FoundScheme) => boolean,
): readonly FoundScheme[] {
  const keepsSpeeds = speedLimits(question, system, standings);
  const { low, high, byEnds } = gather(system, listed, keepsSpeeds);
  return system.ends.flatMap((ends, i) => {
    const lists = (byEnds[i] ?? []).flatMap((one) => one ?? []);
    if (lists.length < listed.wishes.length) return [];
    const offer = { question, system, standings, ends, wishes, tolerance, low, high, lists, keepsSpeeds, admits };
    return bestSelection(offer) ?? [];
  });
}
