import { elementSet, type ElementSet } from './element-set';

/** An element between two things, members or the frame. */
export interface ElementEdge {
  readonly element: number;
  readonly ends: readonly [number, number];
}

export type Blocks = readonly (readonly number[])[];

/** All ways to put so many things into so many blocks. */
export function* blocksOf(things: number, blocks: number): Generator<Blocks> {
  function* fill(at: number, made: Blocks): Generator<Blocks> {
    if (at === things) return made.length === blocks ? yield made : undefined;
    if (made.length + things - at < blocks) return;
    for (let own = 0; own < made.length; own++)
      yield* fill(
        at + 1,
        made.map((block, i) => (i === own ? [...block, at] : block)),
      );
    if (made.length < blocks) yield* fill(at + 1, [...made, [at]]);
  }
  yield* fill(0, []);
}

/** The first edges that join each block within itself; fewer than that takes where one cannot be joined. */
export function firstChoice(blocks: Blocks, edges: readonly ElementEdge[]): readonly number[] {
  const called = new Map(blocks.flatMap((block) => block.map((one) => [one, one] as const)));
  const blockOf = new Map(blocks.flatMap((block, i) => block.map((one) => [one, i] as const)));
  return edges.flatMap(({ element, ends: [a, b] }) => {
    const [own, other] = [called.get(a), called.get(b) as number];
    if (own === other || blockOf.get(a) !== blockOf.get(b)) return [];
    for (const [thing, name] of called) if (name === own) called.set(thing, other);
    return [element];
  });
}

/** Every choice of edges that joins each block within itself, and is no larger than that takes. */
export const treeChoices = (blocks: Blocks, edges: readonly ElementEdge[]): readonly ElementSet[] =>
  blocks
    .reduce<readonly (readonly number[])[]>(
      (made, block) => {
        const own = edges.filter(({ ends }) => ends.every((end) => block.includes(end)));
        const trees = treesOf(own, block.length - 1, new Map(block.map((one) => [one, one])));
        return made.flatMap((choice) => trees.map((tree) => [...choice, ...tree]));
      },
      [[]],
    )
    .map(elementSet);

/** All trees of so many of these edges. @param called of each thing, the name of what it is joined to */
function treesOf(
  edges: readonly ElementEdge[],
  count: number,
  called: ReadonlyMap<number, number>,
): readonly (readonly number[])[] {
  if (count === 0) return [[]];
  return edges.flatMap(({ element, ends: [a, b] }, i) => {
    const [own, other] = [called.get(a), called.get(b) as number];
    if (own === other) return [];
    const joined = new Map([...called].map(([thing, name]) => [thing, name === own ? other : name]));
    return treesOf(edges.slice(i + 1), count - 1, joined).map((rest) => [element, ...rest]);
  });
}
