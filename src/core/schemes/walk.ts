import { toNumber } from '../rational';
import { FoundSchemes } from './found-schemes';
import { endsThatGive, gather } from './gather';
import { layoutsFor, type Layout } from './layouts';
import { alikeOrders } from './partitions';
import type { SchemeQuestion } from './question';
import type { FoundScheme } from './scheme';
import { bestSelection } from './select';
import { scattered } from './scattered';
import { speedLimits } from './speed-limits';
import { systemOf, type System } from './system';
import { demandOf, ENGAGED } from './tight/demand';
import { walkTight } from './tight/walk-tight';
import { waysOf } from './ways';
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
 * (partitions, one fixed or none, shafts of their own) is opened once: its motions with whatever as many elements as
 * leave one make of it, by which all choices of input and output are told together. Then, for each of these, one choice
 * for each wished ratio, see matchWishes. Where few elements make many positions most ways are not opened at all, see
 * walkTight.
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
  const tables = new Map<number, WishTable>();
  const tableFor = (engaged: number) => {
    const made = tables.get(engaged) ?? wishTable(leadingWishes(wishes, question.atMost - engaged), tolerance);
    tables.set(engaged, made);
    return made;
  };
  let walk: Walk = { found, walked: 0, of: 0, whole: true };
  for (const { systems, walked, of } of opened(question, standings, tolerance, orders)) {
    for (const system of systems)
      for (const one of schemesIn(question, system, standings, { wishes, tolerance }, tableFor(system.engaged), admits))
        found.add(one, orders);
    walk = { found, walked, of, whole: walked === of };
    if (isOver(walk)) break;
  }
  return walk;
}

interface Opened {
  readonly systems: readonly System[];
  readonly walked: number;
  readonly of: number;
}

/** The connections that must be looked into, way by way. */
function* opened(
  question: SchemeQuestion,
  standings: readonly number[],
  tolerance: number,
  orders: readonly (readonly number[])[],
): Generator<Opened> {
  const demand = demandOf(question, tolerance);
  const isTight = ({ engaged }: Layout) => demand !== null && engaged === ENGAGED;
  const layouts = layoutsFor(question);
  const waysIn = (some: readonly Layout[]) => waysOf(question.sets.length, some, orders);
  const tight = waysIn(layouts.filter(isTight)).count;
  // One layout after the other, those without shafts of their own before others: the plainest schemes first.
  const others = layouts.filter((one) => !isTight(one)).map((one) => waysIn([one]));
  const of = others.reduce((sum, { count }) => sum + count, tight);
  if (demand && tight > 0)
    for (const { systems, behind, of: trains } of walkTight(question, demand, standings, tolerance, orders))
      yield { systems, walked: Math.floor((tight * behind) / trains), of };
  let walked = tight;
  for (const ways of others)
    for (const number of scattered(ways.count)) {
      const { kind, partition, frame } = ways.at(number);
      const system = systemOf(question, kind, partition, frame, standings);
      yield { systems: system ? [system] : [], walked: ++walked, of };
    }
}

/** By choice of input and output the best elements, where there are such. */
export function schemesIn(
  question: SchemeQuestion,
  whole: System,
  standings: readonly number[],
  { wishes, tolerance }: { readonly wishes: readonly number[]; readonly tolerance: number },
  listed: WishTable,
  admits: (found: FoundScheme) => boolean,
): readonly FoundScheme[] {
  const ends = endsThatGive(whole, listed);
  if (ends.length === 0) return [];
  const system = { ...whole, ends };
  const keepsSpeeds = speedLimits(question, system, standings);
  const { low, high, byEnds } = gather(system, listed, keepsSpeeds);
  return system.ends.flatMap((ends, i) => {
    const lists = (byEnds[i] ?? []).flatMap((one) => one ?? []);
    if (lists.length < listed.wishes.length) return [];
    const offer = { question, system, standings, ends, wishes, tolerance, low, high, lists, keepsSpeeds, admits };
    return bestSelection(offer) ?? [];
  });
}
