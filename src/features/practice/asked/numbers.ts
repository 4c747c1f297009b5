import { accept, refuse, type Result } from '@/core/result';
import { itemAt } from '@/core/required';
/** How many questions, and by which seed. */
export interface Numbers {
  readonly count: number;
  readonly seed: number;
}

const MOST_SEED = 2 ** 32 - 1;

/** How many questions and by which seed, as typed. */
export function readNumbers(
  { count, seed }: { readonly count: string; readonly seed: string },
  most: number,
): Result<Numbers> {
  if (!/^\d+$/.test(count.trim()) || Number(count) < 1 || Number(count) > most)
    return refuse(`A whole number from 1 to ${most}.`, ['count']);
  if (!/^\d+$/.test(seed.trim()) || Number(seed) > MOST_SEED)
    return refuse('A whole number from 0 to 4 294 967 295.', ['seed']);
  return accept({ count: Number(count), seed: Number(seed) });
}

/** A seed that nobody chose. */
export const anySeed = (): string => String(itemAt(crypto.getRandomValues(new Uint32Array(1)), 0) % 1_000_000);
