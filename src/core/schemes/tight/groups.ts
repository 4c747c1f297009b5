import { bits } from '../element-set';
import type { Elements } from '../motions';
import type { Demand } from './demand';
import { FIELD, NODE, type PairGraphs } from './pair-graphs';
import type { Pair } from './partings';

/** Elements of which two at a time give these wishes. */
export interface ElementGroup {
  readonly pairs: readonly Pair[];
  /** Bits. */
  readonly wishes: number;
}

const NONE: readonly ElementGroup[] = [];

/**
 * Finds all groups of so many elements of which two at a time give as many wishes as are asked for. In each some one
 * gives a wish with every other, see demandOf: so each is begun with, and its neighbours are added.
 */
export class GroupSearch {
  private readonly joins: Int32Array;
  private readonly given: Int32Array;
  private readonly chosen: Int32Array;
  private readonly spared: number;

  constructor(
    private readonly elements: Elements,
    private readonly demand: Demand,
  ) {
    const { count } = elements;
    this.joins = new Int32Array(count);
    this.given = new Int32Array(count * count);
    this.chosen = new Int32Array(demand.others);
    this.spared = (demand.others * (demand.others - 1)) / 2 - demand.least;
  }

  /** @param place of input and output in the graphs */
  in(graphs: PairGraphs, place: number): readonly ElementGroup[] {
    if (bits(graphs.wishes[place] as number) < this.demand.least) return NONE;
    this.read(graphs, place);
    const found: ElementGroup[] = [];
    const { joins, elements } = this;
    for (let node = 0; node < elements.count; node++) {
      if (bits(joins[node] as number) < this.demand.others - 1) continue;
      this.chosen[0] = node;
      this.extend(1, joins[node] as number, 0, found);
    }
    return found;
  }

  private read({ counts, edges, most }: PairGraphs, place: number): void {
    const { joins, given } = this;
    const { count } = this.elements;
    joins.fill(0);
    given.fill(0);
    const end = place * most + (counts[place] as number);
    for (let at = place * most; at < end; at++) {
      const edge = edges[at] as number;
      const [a, b] = [edge & NODE, (edge >> FIELD) & NODE];
      given[a * count + b] = given[b * count + a] = edge >> (2 * FIELD);
      joins[a] = (joins[a] as number) | (1 << b);
      joins[b] = (joins[b] as number) | (1 << a);
    }
  }

  private extend(size: number, open: number, wishes: number, found: ElementGroup[]): void {
    const { chosen, demand, given } = this;
    const { count } = this.elements;
    if (size === demand.others) return this.tell(wishes, found);
    const pairs = (size * (size + 1)) / 2;
    for (let left = open; left !== 0; left &= left - 1) {
      const node = 31 - Math.clz32(left & -left);
      let all = wishes;
      for (let i = 0; i < size; i++) all |= given[node * count + (chosen[i] as number)] as number;
      // Each two give one wish at most: those that give none, or one that is given already, are spared.
      if (pairs - bits(all) > this.spared) continue;
      chosen[size] = node;
      this.extend(size + 1, left & (left - 1), all, found);
    }
  }

  /** Tells a group once: by the first of those that give a wish with every other. */
  private tell(wishes: number, found: ElementGroup[]): void {
    const { chosen, joins } = this;
    let group = 0;
    for (let i = 0; i < chosen.length; i++) group |= 1 << (chosen[i] as number);
    const begun = chosen[0] as number;
    for (let i = 1; i < chosen.length; i++) {
      const node = chosen[i] as number;
      if (node < begun && ((joins[node] as number) | (1 << node) | ~group) === -1) return;
    }
    const { first, second } = this.elements;
    found.push({ pairs: Array.from(chosen, (one) => [first[one] as number, second[one] as number]), wishes });
  }
}
