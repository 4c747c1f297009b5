import { mergingsOf } from '../mergings';
import { allElements, type Elements } from '../motions';
import { walkRatios } from '../ratios';
import type { WishTable } from '../wish-table';
import type { ShaftCount } from './coarse-trains';
import { addEdges, clearGraphs, pairOf, type PairGraphs } from './pair-graphs';

/** Fills the graphs with what two elements of a coarse train give. @param basis of its members, without a bare shaft */
export type FillGraphs = (basis: Float64Array) => void;

export const fillerFor = (bare: ShaftCount, graphs: PairGraphs, elements: Elements, table: WishTable): FillGraphs =>
  bare === 0 ? withoutShaft(graphs, elements, table) : withShaft(graphs, elements, table);

function withoutShaft(graphs: PairGraphs, elements: Elements, table: WishTable): FillGraphs {
  const { members } = graphs;
  const mergings = mergingsOf(members, 0, 2, elements);
  const pairs = Array.from({ length: mergings.count }, (_, merging) =>
    Int32Array.from(mergings.choices(merging), ({ low }) => pairOf(31 - Math.clz32(low & -low), 31 - Math.clz32(low))),
  );
  return (basis) => {
    clearGraphs(graphs);
    walkRatios({ members, basis, elements, mergings }, table, (merging, input, output, given) => {
      const moving = mergings.moving(merging);
      const [inputs, outputs] = [moving[input] as readonly number[], moving[output] as readonly number[]];
      const own = pairs[merging] as Int32Array;
      for (let o = 0; o < outputs.length; o++)
        for (let i = 0; i < inputs.length; i++)
          if (inputs[i] !== outputs[o]) addEdges(graphs, inputs[i] as number, outputs[o] as number, own, given);
    });
  };
}

/**
 * One of the two is a clutch on the shaft of its own, which is an end: the shaft is then one with what the clutch takes
 * hold of, so that it is enough to look at what the other element leaves between the members.
 */
function withShaft(graphs: PairGraphs, elements: Elements, table: WishTable): FillGraphs {
  const shaft = graphs.members - 1;
  const rest = allElements(shaft, 0);
  const mergings = mergingsOf(shaft, 0, 1, rest);
  const numbers = new Map<string, number>();
  elements.first.forEach((a, i) => numbers.set(`${a} ${elements.second[i]}`, i));
  const clutchOn = (member: number) => numbers.get(`${member} ${shaft}`) as number;
  const others = Array.from({ length: mergings.count }, (_, merging) => {
    const element = mergings.elements[merging] as number;
    return numbers.get(`${rest.first[element]} ${rest.second[element]}`) as number;
  });
  // With a clutch on the shaft at some member of a part; where the other element joins two of them, a clutch on each
  // does so as well.
  const pairs = others.map((other, merging) =>
    mergings.moving(merging).map((part) => {
      const own = part.map((member) => pairOf(clutchOn(member), other));
      const [a, b] = part;
      return Int32Array.from(a !== undefined && b !== undefined ? [...own, pairOf(clutchOn(a), clutchOn(b))] : own);
    }),
  );
  const alone = others.map((other) =>
    Array.from({ length: shaft }, (_, m) => Int32Array.of(pairOf(clutchOn(m), other))),
  );
  return (basis) => {
    clearGraphs(graphs);
    walkRatios({ members: shaft, basis, elements: rest, mergings }, table, (merging, input, output, given) => {
      const moving = mergings.moving(merging);
      const [inputs, outputs] = [moving[input] as readonly number[], moving[output] as readonly number[]];
      // A clutch between input and output gives nothing but 1, and so is in no group, see demandOf.
      const at = (part: number, member: number) =>
        (input === output ? alone[merging]?.[member] : pairs[merging]?.[part]) as Int32Array;
      for (const driven of outputs)
        for (const drive of inputs) {
          if (drive === driven) continue;
          if (input === output || drive === inputs[0]) addEdges(graphs, shaft, driven, at(input, drive), given);
          if (input === output || driven === outputs[0]) addEdges(graphs, drive, shaft, at(output, driven), given);
        }
    });
  };
}
