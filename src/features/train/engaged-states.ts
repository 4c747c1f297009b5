import { equals, type Rational } from '@/core/rational';
import type { Train } from '@/core/train';

/** What holds the outputs: N·m against their motion, by output. */
export type Loads = ReadonlyMap<string, Rational>;

/** Who drives whom: the input drives · the load pushes while the input turns on · the output drives the input. */
export type FlowKind = 'drive' | 'coast' | 'backward';

const MOST_STATES = 512;
const MOST_LOADS = 4;

/** What was made of a train's engagements: found again by what is engaged, whatever the order it was named in. */
export class EngagedStates<T> {
  private readonly bits: ReadonlyMap<string, bigint>;
  private readonly spaces: {
    readonly loads: Loads | null;
    readonly made: Map<FlowKind, Map<boolean, Map<bigint, T>>>;
  }[] = [];
  private size = 0;

  constructor(train: Train) {
    this.bits = new Map(train.couplers.map(({ id }, i) => [id, 1n << BigInt(i)]));
  }

  /** What was made for the same before, or what `make` makes now. */
  get(engaged: readonly string[], flow: FlowKind, losses: boolean, loads: Loads | null, make: () => T): T {
    const states = this.statesOf(flow, losses, loads);
    const mask = engaged.reduce((sum, id) => sum | (this.bits.get(id) ?? 0n), 0n);
    const known = states.get(mask);
    if (known) return known;
    const made = make();
    if (++this.size > MOST_STATES) {
      this.spaces.length = 0;
      this.size = 1;
      this.statesOf(flow, losses, loads).set(mask, made);
    } else states.set(mask, made);
    return made;
  }

  private statesOf(flow: FlowKind, losses: boolean, loads: Loads | null): Map<bigint, T> {
    let space = this.spaces.find((one) => isSameLoad(one.loads, loads));
    if (!space) {
      space = { loads, made: new Map() };
      this.spaces.push(space);
      // The one without loads is asked for all the time; of the others the last few are.
      const oldest = this.spaces.findIndex((one) => one.loads !== null);
      if (this.spaces.length > MOST_LOADS && oldest >= 0) this.spaces.splice(oldest, 1);
    }
    const byLosses = getOrMake(space.made, flow, () => new Map<boolean, Map<bigint, T>>());
    return getOrMake(byLosses, losses, () => new Map<bigint, T>());
  }
}

function getOrMake<K, V>(map: Map<K, V>, key: K, make: () => V): V {
  const known = map.get(key) ?? make();
  map.set(key, known);
  return known;
}

function isSameLoad(a: Loads | null, b: Loads | null): boolean {
  if (a === b) return true;
  if (!a || !b || a.size !== b.size) return false;
  return [...a].every(([output, torque]) => {
    const other = b.get(output);
    return other !== undefined && equals(torque, other);
  });
}
