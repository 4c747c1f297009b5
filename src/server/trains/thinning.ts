import { required } from '@/core/required';
/** A saved state as far as thinning looks at it. */
export interface SavedState {
  readonly version: number;
  readonly savedAt: Date;
  readonly name: string | null;
}

const MINUTE = 60_000;
const HOUR = 60 * MINUTE;
const DAY = 24 * HOUR;

/** Of so long nothing is let go. */
export const KEPT_WHOLE_MS = HOUR;

/** The older a state, the fewer of its neighbours are kept: up to an age, one for each so many milliseconds. */
const STEPS: readonly { readonly age: number; readonly every: number }[] = [
  { age: KEPT_WHOLE_MS, every: 0 },
  { age: DAY, every: 10 * MINUTE },
  { age: 14 * DAY, every: HOUR },
  { age: Infinity, every: DAY },
];

/**
 * The versions that need not be kept any more. Everything of the last hour stays; then the last state of every ten
 * minutes for a day, of every hour for two weeks, of every day for good. Named states and the first and newest always
 * stay.
 */
export function statesToThin(states: readonly SavedState[], now: Date): number[] {
  const kept = new Set<string>();
  const ordered = [...states].sort((a, b) => b.version - a.version);
  return ordered.flatMap(({ version, savedAt, name }, i) => {
    const { every } = required(STEPS.find(({ age }) => now.getTime() - savedAt.getTime() < age));
    const slot = every === 0 ? null : `${every} ${Math.floor(savedAt.getTime() / every)}`;
    const spare = slot !== null && kept.has(slot) && name === null && i > 0 && i < ordered.length - 1;
    if (slot !== null) kept.add(slot);
    return spare ? [version] : [];
  });
}
