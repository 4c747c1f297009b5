import { blocksOf, firstChoice, treeChoices, type ElementEdge } from './merging-choices';
import type { ElementSet } from './element-set';
import type { Elements } from './motions';
import { compareLists } from './partitions';

/**
 * What so many engaged elements make of the members: some move as one then, some are on the frame. Many choices of
 * elements make the same of them (a brake on each of two members, or one brake and a clutch between), and so leave the
 * same motion. A merging has a number; whatever the innermost loops ask of it is in flat lists.
 */
export interface Mergings {
  readonly count: number;
  readonly engaged: number;
  /** How many parts move, in every merging. */
  readonly parts: number;
  /** By merging, the first choice of elements that makes it; mergings that begin alike are next to each other. */
  readonly elements: Int8Array;
  /** How many of its elements are those of the merging before. */
  readonly shared: Int8Array;
  /** By merging, one member of each part. */
  readonly heads: Int8Array;
  /** By merging, of how many members each part is. */
  readonly sizes: Int8Array;
  /** By merging, which parts have a bare shaft, as bits; each must be an end. */
  readonly shafts: Int32Array;
  /** The members that move as one, by part. */
  readonly moving: (merging: number) => readonly (readonly number[])[];
  /** Every choice of as many elements that makes it; made when first asked for. */
  readonly choices: (merging: number) => readonly ElementSet[];
}

const known = new Map<string, Mergings>();

/** Every merging that so many elements can make, each bare shaft taken hold of. */
export function mergingsOf(members: number, bare: number, engaged: number, elements: Elements): Mergings {
  const key = `${members} ${bare} ${engaged}`;
  const made = known.get(key) ?? makeMergings(members, bare, engaged, elements);
  known.set(key, made);
  return made;
}

function makeMergings(members: number, bare: number, engaged: number, elements: Elements): Mergings {
  // The frame is one more thing to be joined.
  const edges = Array.from({ length: elements.count }, (_, i): ElementEdge => {
    const [a, b] = [elements.first[i] as number, elements.second[i] as number];
    return { element: i, ends: [a, b < 0 ? members : b] };
  });
  const isBare = (thing: number) => thing >= members - bare && thing < members;
  const all = [...blocksOf(members + 1, members + 1 - engaged)]
    .filter((blocks) => !blocks.some((block) => block.length === 1 && isBare(block[0] ?? 0)))
    .map((blocks) => {
      const moving = blocks.filter((block) => !block.includes(members));
      return { blocks, moving, first: firstChoice(blocks, edges) };
    })
    .filter(({ first }) => first.length === engaged)
    .sort((a, b) => compareLists(a.first, b.first));
  const choices = all.map(({ blocks }) => once(() => treeChoices(blocks, edges)));
  return {
    count: all.length,
    engaged,
    parts: members - engaged,
    elements: Int8Array.from(all.flatMap(({ first }) => first)),
    shared: Int8Array.from(all, ({ first }, i) => sharedStart(first, all[i - 1]?.first ?? [])),
    heads: Int8Array.from(all.flatMap(({ moving }) => moving.map((part) => part[0] as number))),
    sizes: Int8Array.from(all.flatMap(({ moving }) => moving.map((part) => part.length))),
    shafts: Int32Array.from(all, ({ moving }) =>
      moving.reduce((bits, part, i) => (part.some(isBare) ? bits | (1 << i) : bits), 0),
    ),
    moving: (merging) => all[merging]?.moving ?? [],
    choices: (merging) => choices[merging]?.() ?? [],
  };
}

const sharedStart = (a: readonly number[], b: readonly number[]): number => {
  const differs = a.findIndex((one, i) => one !== b[i]);
  return differs < 0 ? a.length : differs;
};

const once = <T>(make: () => T): (() => T) => {
  let made: T | undefined;
  return () => (made ??= make());
};
