import { layoutsFor } from '../layouts';
import { allElements } from '../motions';
import type { SchemeQuestion } from '../question';
import type { System } from '../system';
import { wishTable, type WishTable } from '../wish-table';
import { coarseTrains, type ShaftCount, type CoarseTrain } from './coarse-trains';
import { ENGAGED, type Demand } from './demand';
import { fillerFor } from './fill-graphs';
import { GroupSearch, type ElementGroup } from './groups';
import { Lifts } from './lifts';
import { layoutOf, namedSystem } from './named-system';
import { emptyGraphs } from './pair-graphs';
import { partingsOf, type Parting } from './partings';

/** What a coarse train has led to: connections, each with the one choice of ends, that can give every wish. */
export interface TightStep {
  readonly systems: readonly System[];
  /** Coarse trains behind, of so many. */
  readonly behind: number;
  readonly of: number;
}

type Orders = readonly (readonly number[])[];

/**
 * All connections in which three elements at a time can give every wish, by way of those with one element engaged for
 * good: these are fewer, for many connections have the same, and few of them have a group of other elements that gives
 * enough, see demandOf. One that has is parted again in every way and tried with all three.
 * @param orders of the sets that change nothing
 */
export function* walkTight(
  question: SchemeQuestion,
  demand: Demand,
  standings: readonly number[],
  tolerance: number,
  orders: Orders,
): Generator<TightStep> {
  const layouts = layoutsFor(question).filter(({ engaged }) => engaged === ENGAGED);
  const members = standings.length + ENGAGED;
  const bares: readonly ShaftCount[] = layouts.some(({ bare }) => bare !== 'none') ? [0, 1] : [0];
  // Those without a shaft of their own lead to the plainest schemes.
  const kinds = bares.map((bare) => ({ bare, trains: coarseTrains(bare, standings, members, orders) }));
  const of = kinds.reduce((sum, { trains }) => sum + trains.count, 0);
  const table = wishTable(demand.wishes, tolerance);
  const seen = new Set<string>();
  let behind = 0;
  for (const { bare, trains } of kinds) {
    const look = lookInto(bare, demand, members, table);
    for (const train of trains.each()) {
      const systems: System[] = [];
      for (const { parting, groups } of train ? look(train) : []) {
        const layout = layoutOf(parting, layouts);
        if (!layout) continue;
        const lifts = new Lifts(parting, standings, members + 1, table);
        if (!groups.some(({ pairs, wishes }) => lifts.give(pairs, wishes))) continue;
        const system = namedSystem(question, parting, layout, standings);
        const key = system && JSON.stringify([system.memberOf, system.ends]);
        if (!key || seen.has(key)) continue;
        seen.add(key);
        systems.push(system);
      }
      yield { systems, behind: ++behind, of };
    }
  }
}

interface Lead {
  readonly parting: Parting;
  readonly groups: readonly ElementGroup[];
}

/** Finds the groups of coarse trains, and what these can be parted into. */
function lookInto(
  bare: ShaftCount,
  demand: Demand,
  members: number,
  table: WishTable,
): (train: CoarseTrain) => readonly Lead[] {
  const elements = allElements(members, bare);
  const graphs = emptyGraphs(members, elements.count);
  const fill = fillerFor(bare, graphs, elements, table);
  const search = new GroupSearch(elements, demand);
  return (train) => {
    fill(train.basis);
    const leads: Lead[] = [];
    for (let output = 0; output < members; output++)
      for (let input = 0; input < members; input++) {
        // A shaft of its own that is no end would be nothing.
        if (input === output || (bare === 1 && input !== members - 1 && output !== members - 1)) continue;
        const groups = search.in(graphs, output * members + input);
        if (groups.length === 0) continue;
        leads.push(...partingsOf(train, members, input, output).map((parting) => ({ parting, groups })));
      }
    return leads;
  };
}
