/** A set of elements in two words: elements 0 to 30 in the first, 31 to 61 in the second. */
export interface ElementSet {
  readonly low: number;
  readonly high: number;
}

export const NO_ELEMENTS: ElementSet = { low: 0, high: 0 };
const WORD = 31;

export const elementSet = (elements: ArrayLike<number>): ElementSet => {
  let [low, high] = [0, 0];
  // By place: an iterator would cost more than all the rest, and this is done for every choice that is kept.
  for (let i = 0; i < elements.length; i++) {
    const element = elements[i] as number;
    if (element < WORD) low |= 1 << element;
    else high |= 1 << (element - WORD);
  }
  return { low, high };
};

export const elementsIn = ({ low, high }: ElementSet): readonly number[] => {
  const found: number[] = [];
  for (let i = 0; i < WORD; i++) if (low & (1 << i)) found.push(i);
  for (let i = 0; i < WORD; i++) if (high & (1 << i)) found.push(WORD + i);
  return found;
};

export const joined = (a: ElementSet, b: ElementSet): ElementSet => ({ low: a.low | b.low, high: a.high | b.high });
export const overlaps = (a: ElementSet, b: ElementSet): boolean => (a.low & b.low) !== 0 || (a.high & b.high) !== 0;
export const sizeOf = ({ low, high }: ElementSet): number => bits(low) + bits(high);

/** How many bits of a word are set (the sum of neighbours, doubled in width at each step). */
export function bits(word: number): number {
  let value = word - ((word >>> 1) & 0x55555555);
  value = (value & 0x33333333) + ((value >>> 2) & 0x33333333);
  return (((value + (value >>> 4)) & 0x0f0f0f0f) * 0x01010101) >>> 24;
}
