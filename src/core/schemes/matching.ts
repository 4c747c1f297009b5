import { bits, type ElementSet } from './element-set';

/** What gives a wished ratio: by number which choice of elements, and how far off it is. */
export interface Candidates {
  readonly choices: readonly number[];
  readonly off: readonly number[];
}

/** How many elements there may be, together and of each kind. */
export interface ElementLimits {
  readonly atMost: number;
  readonly brakes: number;
  readonly clutches: number;
  /** Which elements are brakes. */
  readonly areBrakes: ElementSet;
}

export interface Matched {
  /** By wished ratio the number of its choice. */
  readonly choices: readonly number[];
  readonly union: ElementSet;
  readonly worst: number;
  readonly count: number;
}

export const isWithin = (
  { atMost, brakes, clutches, areBrakes }: ElementLimits,
  low: number,
  high: number,
): boolean => {
  const all = bits(low) + bits(high);
  if (all > atMost) return false;
  const held = bits(low & areBrakes.low) + bits(high & areBrakes.high);
  return held <= brakes && all - held <= clutches;
};

/** So near, two deviations are one. */
const SAME = 1e-12;

/**
 * One choice of elements for each wished ratio, so that together they are no more than there may be: depth first, the
 * wish with the fewest candidates first; what does not fit any more beside those taken is struck from all others before
 * going on (forward checking). The smallest worst deviation is kept, then the fewest elements.
 * @param wishes candidates of each wished ratio, in the order in which they are shifted
 * @param low the elements of each choice, in two words
 * @param single neighbours differ by one element off and one on
 * @param finish what else is needed (a reverse, say) with these elements; null where it cannot be had
 */
export function matchWishes<More extends { readonly count: number }>(
  wishes: readonly Candidates[],
  low: readonly number[],
  high: readonly number[],
  limits: ElementLimits,
  single: boolean,
  finish: (matched: Matched) => More | null,
): (Matched & { readonly more: More }) | null {
  let best: (Matched & { readonly more: More }) | null = null;
  const taken = new Array<number>(wishes.length).fill(-1);

  const isBeaten = (worst: number, count: number): boolean =>
    best !== null && (worst > best.worst + SAME || (worst > best.worst - SAME && count >= best.more.count));

  const visit = (left: readonly (Candidates | null)[], unionLow: number, unionHigh: number, worst: number): void => {
    const wish = fewest(left);
    if (wish < 0) {
      const count = bits(unionLow) + bits(unionHigh);
      if (isBeaten(worst, count)) return;
      const matched = { choices: [...taken], union: { low: unionLow, high: unionHigh }, worst, count };
      const more = finish(matched);
      if (more && !isBeaten(worst, more.count)) best = { ...matched, more };
      return;
    }
    const { choices, off } = left[wish] as Candidates;
    for (let i = 0; i < choices.length; i++) {
      const choice = choices[i] as number;
      const [own, ownHigh] = [low[choice] as number, high[choice] as number];
      const [nextLow, nextHigh] = [unionLow | own, unionHigh | ownHigh];
      const nextWorst = Math.max(worst, off[i] as number);
      if (!isWithin(limits, nextLow, nextHigh) || isBeaten(nextWorst, bits(nextLow) + bits(nextHigh))) continue;
      const most = best === null ? Infinity : (best as Matched).worst + SAME;
      const next = strike(left, wish, (other, k, offBy) => {
        if (offBy > most) return false;
        const [a, b] = [low[k] as number, high[k] as number];
        const differ = bits(a ^ own) + bits(b ^ ownHigh);
        if (differ === 0 || (single && Math.abs(other - wish) === 1 && differ !== 2)) return false;
        return isWithin(limits, nextLow | a, nextHigh | b);
      });
      if (!next) continue;
      taken[wish] = choice;
      visit(next, nextLow, nextHigh, nextWorst);
    }
  };
  visit(wishes, 0, 0, 0);
  return best;
}

/** The wish that is left with the fewest candidates; −1 where none is left. */
function fewest(left: readonly (Candidates | null)[]): number {
  let [best, count] = [-1, Infinity];
  left.forEach((one, i) => {
    if (one && one.choices.length < count) [best, count] = [i, one.choices.length];
  });
  return best;
}

/** What of the other wishes may stay beside a choice; null as soon as one has nothing any more. */
function strike(
  left: readonly (Candidates | null)[],
  wish: number,
  stays: (other: number, choice: number, off: number) => boolean,
): readonly (Candidates | null)[] | null {
  const next: (Candidates | null)[] = [];
  for (let other = 0; other < left.length; other++) {
    const one = left[other];
    if (!one || other === wish) {
      next.push(null);
      continue;
    }
    const [choices, off]: [number[], number[]] = [[], []];
    for (let i = 0; i < one.choices.length; i++) {
      const [choice, by] = [one.choices[i] as number, one.off[i] as number];
      if (!stays(other, choice, by)) continue;
      choices.push(choice);
      off.push(by);
    }
    if (choices.length === 0) return null;
    next.push({ choices, off });
  }
  return next;
}
