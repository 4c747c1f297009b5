import { STILL } from './known-motions';
import type { Mergings } from './mergings';
import { engageElement, type Elements } from './motions';
import { placeIn, wishesOf, type WishTable } from './wish-table';

/** An open train with the elements that it can engage. */
export interface EngageableTrain {
  readonly members: number;
  readonly basis: Float64Array;
  readonly elements: Elements;
  readonly mergings: Mergings;
}

/**
 * Two parts of a merging, between which the ratio may be wished, the wishes as bits. Input and output are the same part
 * where two members that move as one can be the ends.
 */
export type SeeRatio = (merging: number, input: number, output: number, wishes: number, ratio: number) => void;

/**
 * Looks at every ratio that the train can have, whatever its input and output. An element is a row of the basis; with
 * it at rest one vector is taken out of all others. What neighbours among the mergings have in common is done once; of
 * the last two vectors u and v the last element, in which they turn by a and b, leaves b u − a v.
 */
export function walkRatios(train: EngageableTrain, table: WishTable, see: SeeRatio): void {
  const { members, basis, mergings, elements } = train;
  const { count, engaged, shared } = mergings;
  const { first, second } = elements;
  const levels = levelsFrom(basis, members, engaged);
  const last = levels[levels.length - 1] as Float64Array;
  const values = new Float64Array(engaged + 1);
  const drive = new Float64Array(mergings.parts);
  let done = 0;
  for (let merging = 0; merging < count; merging++) {
    const kept = shared[merging] as number;
    // What could not be engaged with the elements before it cannot be now.
    if (kept > done) continue;
    for (done = kept; done < engaged - 1; done++) {
      const element = mergings.elements[merging * engaged + done] as number;
      const [motions, next] = [levels[done] as Float64Array, levels[done + 1] as Float64Array];
      const [a, b] = [first[element] as number, second[element] as number];
      if (!engageElement(motions, engaged + 1 - done, members, a, b, values, next)) break;
    }
    if (done < engaged - 1) continue;
    const largest = engaged > 0 ? engageLast(train, merging, last, drive) : takeHeads(mergings, last, drive);
    if (largest > STILL) seeRatios(mergings, merging, drive, STILL * largest, table, see);
  }
}

/** The speed of each part with the last element at rest too. @returns the largest of them */
function engageLast(
  { members, mergings, elements }: EngageableTrain,
  merging: number,
  motions: Float64Array,
  drive: Float64Array,
): number {
  const { parts, engaged, heads } = mergings;
  const element = mergings.elements[merging * engaged + engaged - 1] as number;
  const [a, b] = [elements.first[element] as number, elements.second[element] as number];
  const turns = (motions[a] as number) - (b < 0 ? 0 : (motions[b] as number));
  const turnsNext = (motions[members + a] as number) - (b < 0 ? 0 : (motions[members + b] as number));
  let largest = 0;
  for (let part = 0; part < parts; part++) {
    const head = heads[merging * parts + part] as number;
    const speed = (motions[head] as number) * turnsNext - (motions[members + head] as number) * turns;
    drive[part] = speed;
    const size = speed < 0 ? -speed : speed;
    if (size > largest) largest = size;
  }
  return largest;
}

function takeHeads({ parts, heads }: Mergings, motion: Float64Array, drive: Float64Array): number {
  for (let part = 0; part < parts; part++) drive[part] = motion[heads[part] as number] as number;
  return drive.reduce((size, speed) => Math.max(size, Math.abs(speed)), 0);
}

/** Looks up each two parts once, a ratio and one over it; with a shaft of its own only what has it as an end. */
function seeRatios(
  { parts, sizes, shafts }: Mergings,
  merging: number,
  drive: Float64Array,
  nothing: number,
  table: WishTable,
  see: SeeRatio,
): void {
  const { near, step, direct } = table;
  const held = shafts[merging] as number;
  for (let one = 0; one < parts; one++) {
    const speed = drive[one] as number;
    // What stands gives nothing.
    if (speed < nothing && speed > -nothing) continue;
    if (direct !== 0 && (sizes[merging * parts + one] as number) > 1) see(merging, one, one, direct, 1);
    const per = step / speed;
    for (let other = 0; other < one; other++) {
      if (held !== 0 && (held & ~((1 << one) | (1 << other))) !== 0) continue;
      if (near[placeIn((drive[other] as number) * per)] === 0) continue;
      const ratio = (drive[other] as number) / speed;
      const [ahead, back] = [wishesOf(table, ratio), wishesOf(table, 1 / ratio)];
      if (ahead !== 0) see(merging, other, one, ahead, ratio);
      if (back !== 0) see(merging, one, other, back, 1 / ratio);
    }
  }
}

/** Room for the motions that are left after each element but the last. */
function levelsFrom(basis: Float64Array, members: number, engaged: number): readonly Float64Array[] {
  const levels = [basis];
  for (let left = engaged; left > 1; left--) levels.push(new Float64Array(left * members));
  return levels;
}
