import { elementSet, type ElementSet } from './element-set';
import { KnownMotions } from './known-motions';
import type { Layout } from './layouts';
import { isAsked, membersOf } from './layouts';
import { mergingsOf, type Mergings } from './mergings';
import { allElements, openMotions, type Elements } from './motions';
import type { Partition } from './partitions';
import type { SchemeQuestion } from './question';
import { membersIn } from './ways';

/** Connections with every brake and clutch that they could have, before input and output are chosen. */
export interface System {
  readonly members: number;
  readonly engaged: number;
  /** Of each central member the member it is joined in, −1 on the frame. */
  readonly memberOf: readonly number[];
  readonly basis: Float64Array;
  /** What was asked of its motions. */
  readonly motions: KnownMotions;
  readonly elements: Elements;
  readonly mergings: Mergings;
  readonly areBrakes: ElementSet;
  readonly ends: readonly Ends[];
  /** Members with one central member alone, which turn idly unless an element takes hold of them. */
  readonly alone: readonly number[];
  /** By member the elements that take hold of it. */
  readonly elementsOn: readonly ElementSet[];
}

/** A choice of input and output. */
export interface Ends {
  readonly input: number;
  readonly output: number;
}

/** By member that is neither end and would turn idly: the elements on it, of which it needs one. */
export const needsOf = ({ alone, elementsOn }: System, { input, output }: Ends): readonly ElementSet[] =>
  alone.filter((m) => m !== input && m !== output).map((m) => elementsOn[m] as ElementSet);

/** The system of a partition; null where its motion is not what the count of members says, or nothing can drive it. */
export function systemOf(
  question: SchemeQuestion,
  layout: Layout,
  partition: Partition,
  frame: number,
  standings: readonly number[],
): System | null {
  const members = membersOf(question.sets.length, layout);
  const memberOf = membersIn({ partition, frame });
  const bare = layout.bare === 'both' ? 2 : layout.bare === 'one' ? 1 : 0;
  const centrals: number[][] = Array.from({ length: members }, () => []);
  memberOf.forEach((member, central) => centrals[member]?.push(central));
  const alone = centrals.flatMap((joined, m) => (joined.length === 1 ? [m] : []));
  // Both ends at most need none.
  if (alone.length - 2 > mostHeld(question)) return null;
  const ends = endsOf(question, layout, centrals, alone);
  if (ends.length === 0) return null;
  const basis = openMotions(memberOf, standings, members);
  const { all, areBrakes, on } = elementsFor(members, bare);
  if (!basis) return null;
  const motions = new KnownMotions(basis, members, all);
  return {
    members,
    engaged: layout.engaged,
    memberOf,
    basis,
    motions,
    elements: all,
    mergings: mergingsOf(members, bare, layout.engaged, all),
    areBrakes,
    ends,
    alone,
    elementsOn: on,
  };
}

interface NamedElements {
  readonly all: Elements;
  readonly areBrakes: ElementSet;
  /** By member the elements that take hold of it. */
  readonly on: readonly ElementSet[];
}

const known = new Map<string, NamedElements>();

function elementsFor(members: number, bare: number): NamedElements {
  const key = `${members} ${bare}`;
  const found = known.get(key);
  if (found) return found;
  const all = allElements(members, bare);
  const numbers = Array.from({ length: all.count }, (_, i) => i);
  const on = Array.from({ length: members }, (_, m) =>
    elementSet(numbers.filter((i) => all.first[i] === m || all.second[i] === m)),
  );
  const areBrakes = elementSet(numbers.filter((i) => all.second[i] === -1));
  const made = { all, areBrakes, on };
  known.set(key, made);
  return made;
}

function endsOf(
  question: SchemeQuestion,
  layout: Layout,
  centrals: readonly (readonly number[])[],
  alone: readonly number[],
): readonly Ends[] {
  const members = centrals.length;
  const ids = question.sets.map(({ id }) => id);
  const may = (asked: string | null) => centrals.map((joined) => isAsked(asked, joined, ids));
  const [inputs, outputs] = [may(question.input), may(question.output)];
  const spared = centrals.map((_, m) => (alone.includes(m) ? 1 : 0));
  const most = mostHeld(question);
  const ends: Ends[] = [];
  for (let input = 0; input < members; input++) {
    if (!inputs[input]) continue;
    for (let output = 0; output < members; output++) {
      if (output === input || !outputs[output] || !isLaidOut(layout, members, input, output)) continue;
      if (alone.length - (spared[input] ?? 0) - (spared[output] ?? 0) <= most) ends.push({ input, output });
    }
  }
  return ends;
}

/** A bare shaft is an end, or it would be nothing; of two the first is the input. */
const isLaidOut = ({ bare }: Layout, members: number, input: number, output: number): boolean =>
  bare === 'none' ||
  (bare === 'both' ? input === members - 2 && output === members - 1 : input === members - 1 || output === members - 1);

/** How many members the elements that are allowed can take hold of: a clutch of two. */
function mostHeld({ atMost, brakes, clutches }: SchemeQuestion): number {
  const joining = Math.min(clutches ?? atMost, atMost);
  return 2 * joining + Math.min(brakes ?? atMost, atMost - joining);
}
