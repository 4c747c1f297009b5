import { elementSet } from './element-set';
import type { Candidates } from './matching';
import { STILL } from './known-motions';
import { walkMotions } from './motions';
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

/** Every choice of elements that gives a listed wish, for all inputs and outputs at once. */
export function gather(
  { members, engaged, basis, elements, ends }: System,
  table: WishTable,
  keepsSpeeds: (speeds: Float64Array, input: number) => boolean,
): Gathered {
  const [low, high]: [number[], number[]] = [[], []];
  const byEnds = ends.map(() => table.wishes.map((): Listed | null => null));
  // By output the first and the last input that is asked about, and by both which choice of ends that is.
  const [inputFrom, inputTo] = [new Int32Array(members).fill(members), new Int32Array(members).fill(-1)];
  const endAt = new Int32Array(members * members).fill(-1);
  ends.forEach(({ input, output }, end) => {
    endAt[output * members + input] = end;
    inputFrom[output] = Math.min(inputFrom[output] as number, input);
    inputTo[output] = Math.max(inputTo[output] as number, input);
  });
  const driving = new Float64Array(members);
  const keep = (end: number, wishes: number, chosen: Int32Array, speeds: Float64Array): void => {
    if (end < 0) return;
    const { input, output } = ends[end] as Ends;
    if (!keepsSpeeds(speeds, input)) return;
    const ratio = (speeds[input] as number) / (speeds[output] as number);
    const lists = byEnds[end] as (Listed | null)[];
    let choice = -1;
    for (let rest = wishes; rest !== 0; rest &= rest - 1) {
      const wish = 31 - Math.clz32(rest & -rest);
      const off = Math.abs(ratio / (table.wishes[wish] as number) - 1);
      if (off > table.tolerance + ROUNDING) continue;
      if (choice < 0) {
        const own = elementSet(chosen);
        choice = low.push(own.low) - 1;
        high.push(own.high);
      }
      const list = (lists[wish] ??= { choices: [], off: [] });
      list.choices.push(choice);
      list.off.push(off);
    }
  };
  walkMotions(basis, members, engaged, elements, (chosen, speeds) => {
    // The innermost loop of all: what it uses is at hand, not looked up beyond the function.
    const { cells, least, most, scale } = table;
    const [drive, from, to] = [driving, inputFrom, inputTo];
    const count = speeds.length;
    let largest = 0;
    for (let m = 0; m < count; m++) {
      const size = Math.abs(speeds[m] as number);
      if (size > largest) largest = size;
    }
    const nothing = STILL * largest;
    for (let m = 0; m < count; m++) {
      const speed = speeds[m] as number;
      drive[m] = speed < nothing && speed > -nothing ? 0 : speed;
    }
    for (let output = 0; output < count; output++) {
      const driven = drive[output] as number;
      // What stands gives nothing.
      if (driven === 0) continue;
      const per = 1 / driven;
      const last = to[output] as number;
      for (let input = from[output] as number; input <= last; input++) {
        const ratio = (drive[input] as number) * per;
        if (ratio < least || ratio > most) continue;
        const wishes = cells[((ratio - least) * scale) | 0] as number;
        if (wishes !== 0) keep(endAt[output * count + input] as number, wishes, chosen, speeds);
      }
    }
  });
  return { low, high, byEnds };
}

/** A ratio at the very edge of the tolerance is within it. */
export const ROUNDING = 1e-12;
