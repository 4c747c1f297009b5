import type { Candidates } from './matching';
import { walkRatios } from './ratios';
import type { KeepsSpeeds } from './speed-limits';
import type { Ends, System } from './system';
import type { WishTable } from './wish-table';

/** Choices of elements that give the listed wishes: by choice of ends, and by wish. */
export interface Gathered {
  readonly low: readonly number[];
  readonly high: readonly number[];
  /** Null where nothing gives this wish. */
  readonly byEnds: readonly (readonly (Candidates | null)[])[];
}

interface Listed extends Candidates {
  readonly choices: number[];
  readonly off: number[];
}

/** The inputs and outputs between which every listed wish is given; but for 1, which a clutch gives anywhere. */
export function endsThatGive(system: System, table: WishTable): readonly Ends[] {
  const { members, ends, mergings } = system;
  const given = new Int32Array(members * members);
  walkRatios(system, { ...table, direct: 0 }, (merging, input, output, wishes) => {
    const moving = mergings.moving(merging);
    const [inputs, outputs] = [moving[input] as readonly number[], moving[output] as readonly number[]];
    for (let o = 0; o < outputs.length; o++)
      for (let i = 0; i < inputs.length; i++) {
        const place = (outputs[o] as number) * members + (inputs[i] as number);
        given[place] = (given[place] as number) | wishes;
      }
  });
  const all = (1 << table.wishes.length) - 1;
  return ends.filter(({ input, output }) => ((given[output * members + input] as number) | table.direct) === all);
}

/** Every choice of elements that gives a listed wish, for all inputs and outputs at once. */
export function gather(system: System, table: WishTable, keepsSpeeds: KeepsSpeeds | null): Gathered {
  const { members, ends, mergings, motions } = system;
  const [low, high]: [number[], number[]] = [[], []];
  const byEnds = ends.map(() => table.wishes.map((): Listed | null => null));
  // By output and input which choice of ends that is.
  const endAt = new Int32Array(members * members).fill(-1);
  ends.forEach(({ input, output }, end) => (endAt[output * members + input] = end));

  const keep = (end: number, wishes: number, ratio: number, from: number): void => {
    const lists = byEnds[end] as (Listed | null)[];
    for (let rest = wishes; rest !== 0; rest &= rest - 1) {
      const wish = 31 - Math.clz32(rest & -rest);
      const off = Math.abs(ratio / (table.wishes[wish] as number) - 1);
      const list = (lists[wish] ??= { choices: [], off: [] });
      for (let choice = from; choice < low.length; choice++) {
        list.choices.push(choice);
        list.off.push(off);
      }
    }
  };

  const isKept = (merging: number, input: number): boolean => {
    if (!keepsSpeeds) return true;
    const { elements, engaged } = mergings;
    const { speeds } = motions.with([...elements.subarray(merging * engaged, (merging + 1) * engaged)]);
    return speeds !== null && keepsSpeeds(speeds, input);
  };
  let [told, from] = [-1, 0];
  walkRatios(system, table, (merging, input, output, wishes, ratio) => {
    const moving = mergings.moving(merging);
    for (const drive of moving[input] as readonly number[])
      for (const driven of moving[output] as readonly number[]) {
        const end = endAt[driven * members + drive] as number;
        if (end < 0 || !isKept(merging, drive)) continue;
        // The choices of a merging are told once, whatever ratios it gives.
        if (merging !== told) {
          [told, from] = [merging, low.length];
          for (const choice of mergings.choices(merging)) {
            low.push(choice.low);
            high.push(choice.high);
          }
        }
        keep(end, wishes, ratio, from);
      }
  });
  return { low, high, byEnds };
}
