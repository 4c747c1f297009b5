import { elementSet, type ElementSet } from './element-set';
import { motionWith, type Elements } from './motions';

/** What is smaller beside the largest speed stands. */
export const STILL = 1e-9;

/** What the members do with some elements engaged. */
export interface KnownMotion {
  readonly elements: ElementSet;
  /** Of each member; 0 where it stands. Null where these elements leave no motion, or more than one. */
  readonly speeds: Float64Array | null;
}

/** Motions of one open train: the choice of ends does not matter to them, so that each is made once for all. */
export class KnownMotions {
  private readonly known = new Map<number, KnownMotion>();

  constructor(
    private readonly basis: Float64Array,
    private readonly members: number,
    private readonly elements: Elements,
  ) {}

  /** @param engaged numbers of elements, in order */
  with(engaged: readonly number[]): KnownMotion {
    const key = engaged.reduce((digits, element) => digits * (this.elements.count + 1) + element + 1, 0);
    const found = this.known.get(key);
    if (found) return found;
    const speeds = motionWith(this.basis, this.members, this.elements, engaged);
    const made = { elements: elementSet(engaged), speeds: speeds && withoutRounding(speeds) };
    this.known.set(key, made);
    return made;
  }
}

function withoutRounding(speeds: Float64Array): Float64Array {
  const nothing = STILL * speeds.reduce((size, speed) => Math.max(size, Math.abs(speed)), 0);
  return speeds.map((speed) => (Math.abs(speed) > nothing ? speed : 0));
}
