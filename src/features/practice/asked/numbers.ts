import { itemAt } from '@/core/required';
export type Numbers =
  | { readonly ok: true; readonly count: number; readonly seed: number }
  | { readonly ok: false; readonly field: 'count' | 'seed'; readonly message: string };

const MOST_SEED = 2 ** 32 - 1;

/** How many questions and by which seed, as typed. */
export function readNumbers({ count, seed }: { readonly count: string; readonly seed: string }, most: number): Numbers {
  if (!/^\d+$/.test(count.trim()) || Number(count) < 1 || Number(count) > most)
    return { ok: false, field: 'count', message: `A whole number from 1 to ${most}.` };
  if (!/^\d+$/.test(seed.trim()) || Number(seed) > MOST_SEED)
    return { ok: false, field: 'seed', message: 'A whole number from 0 to 4 294 967 295.' };
  return { ok: true, count: Number(count), seed: Number(seed) };
}

/** A seed that nobody chose. */
export const anySeed = (): string => String(itemAt(crypto.getRandomValues(new Uint32Array(1)), 0) % 1_000_000);
