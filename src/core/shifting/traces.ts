export interface Sample {
  readonly timeS: number;
  /** Null between two positions. */
  readonly position: string | null;
  readonly inputRpm: number;
  readonly outputRpm: number;
  readonly inputTorqueNm: number;
  readonly outputTorqueNm: number;
  readonly powerShare: number;
  /** What the detector reads, in the cue's unit. */
  readonly read: number;
}

const COLUMNS = ['timeS', 'inputRpm', 'outputRpm', 'inputTorqueNm', 'outputTorqueNm', 'powerShare', 'read'] as const;
type ColumnName = (typeof COLUMNS)[number];

/** The samples of a run, a column each: small to keep and quick to hand over. */
export interface Traces extends Readonly<Record<ColumnName, Float64Array>> {
  /** Place in the order; −1 between two positions. */
  readonly position: Int16Array;
}

/** Samples as they come in, room for so many. */
export class Recorder {
  private count = 0;
  private readonly position: Int16Array;
  private readonly columns: Record<ColumnName, Float64Array>;

  constructor(room: number) {
    this.position = new Int16Array(room);
    this.columns = Object.fromEntries(COLUMNS.map((name) => [name, new Float64Array(room)])) as typeof this.columns;
  }

  add(sample: Omit<Sample, 'position'>, place: number): void {
    const at = this.count++;
    for (const name of COLUMNS) this.columns[name][at] = sample[name];
    this.position[at] = place;
  }

  /** What is there so far, apart from what comes in later. */
  soFar(): Traces {
    const columns = Object.fromEntries(COLUMNS.map((name) => [name, this.columns[name].slice(0, this.count)]));
    return { ...(columns as Record<ColumnName, Float64Array>), position: this.position.slice(0, this.count) };
  }
}

/** One sample of a run whose positions stand in this order. */
export const sampleAt = (traces: Traces, order: readonly string[], at: number): Sample => ({
  timeS: traces.timeS[at]!,
  position: order[traces.position[at]!] ?? null,
  inputRpm: traces.inputRpm[at]!,
  outputRpm: traces.outputRpm[at]!,
  inputTorqueNm: traces.inputTorqueNm[at]!,
  outputTorqueNm: traces.outputTorqueNm[at]!,
  powerShare: traces.powerShare[at]!,
  read: traces.read[at]!,
});

/** The last sample at or before a time; the first one before all. */
export function sampleBefore({ timeS }: Traces, time: number): number {
  let [low, high] = [0, timeS.length - 1];
  while (low < high) {
    const middle = Math.ceil((low + high) / 2);
    if (timeS[middle]! <= time) low = middle;
    else high = middle - 1;
  }
  return low;
}

/** All samples of a run, one after another. */
export const samplesOf = (traces: Traces, order: readonly string[]): readonly Sample[] =>
  Array.from(traces.timeS, (_, at) => sampleAt(traces, order, at));
