import { memberFigures } from '../powerflow';
import { toNumber } from '../rational';
import { type Solved } from '../solve';
import type { Train } from '../train';
import { sampleBefore, type Traces } from './traces';
import { modelOf } from '../model';
import { itemAt } from '../required';

/** A run to look at: how far every member has turned at a time. */
export interface RunPlayback {
  readonly turnsAt: (timeS: number) => (member: string) => number;
}

const MINUTE = 60;

/**
 * Members turn with the input as the position in says; between two positions those that the input turns with nothing
 * engaged go with it, the others with the output as in the position before. So the turns of all follow from the turns
 * of input and output in each stretch, summed once.
 */
export function playbackOf(train: Train, order: readonly string[], traces: Traces): RunPlayback {
  const { solve, solvedIn } = modelOf(train);
  const speedsOf = (solved: Solved) => {
    const speeds = new Map(memberFigures(solved).map(({ id, speed }) => [id, speed ? toNumber(speed) : 0]));
    return { speeds, ratio: solved.ratio ? Math.abs(toNumber(solved.ratio)) : 1 };
  };
  const positions = order.map((id) => speedsOf(solvedIn(id)));
  const free = speedsOf(solve([])).speeds;
  const { engaged, coasting, running } = turnsOf(traces, positions);
  return {
    turnsAt: (timeS) => {
      const at = sampleBefore(traces, timeS);
      const share = shareOf(traces.timeS, at, timeS);
      const between = (column: Float64Array) =>
        itemAt(column, at) + share * ((column[at + 1] ?? itemAt(column, at)) - itemAt(column, at));
      const [inEach, after] = [engaged.map(between), coasting.map(between)];
      const alone = between(running);
      return (member) => {
        const own = free.get(member) ?? 0;
        return positions.reduce(
          (sum, { speeds }, place) =>
            sum + (speeds.get(member) ?? 0) * (itemAt(inEach, place) + (own === 0 ? itemAt(after, place) : 0)),
          own * alone,
        );
      };
    },
  };
}

/** How far a time lies from one sample to the next. */
function shareOf(times: Float64Array, at: number, timeS: number): number {
  const [from, to] = [itemAt(times, at), times[at + 1]];
  return to === undefined || to <= from ? 0 : Math.min(1, Math.max(0, (timeS - from) / (to - from)));
}

/**
 * Turns so far at every sample: of the input in each position, of the input as the output turns it after each, and of
 * the input alone between positions.
 */
function turnsOf({ timeS, position, inputRpm, outputRpm }: Traces, positions: readonly { readonly ratio: number }[]) {
  const column = () => new Float64Array(timeS.length);
  const [engaged, coasting, running] = [positions.map(column), positions.map(column), column()];
  let last = Math.max(0, position[0] ?? 0);
  for (let i = 1; i < timeS.length; i++) {
    for (const one of [...engaged, ...coasting, running]) one[i] = itemAt(one, i - 1);
    const minutes = (itemAt(timeS, i) - itemAt(timeS, i - 1)) / MINUTE;
    const turned = (rpm: Float64Array) => (minutes * (itemAt(rpm, i) + itemAt(rpm, i - 1))) / 2;
    const place = itemAt(position, i - 1);
    if (place >= 0) {
      last = place;
      itemAt(engaged, place)[i] = itemAt(itemAt(engaged, place), i) + turned(inputRpm);
    } else {
      running[i] = itemAt(running, i) + turned(inputRpm);
      itemAt(coasting, last)[i] = itemAt(itemAt(coasting, last), i) + turned(outputRpm) * itemAt(positions, last).ratio;
    }
  }
  return { engaged, coasting, running };
}
