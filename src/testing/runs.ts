/**
 * How many random cases a property is tried on: every day a third of what `npm run check:random` does, whose seeds are
 * new each time. TINWHEEL_SHARE says another share.
 */
export const runs = (all: number): number => Math.ceil(all * Number(process.env.TINWHEEL_SHARE ?? 1 / 3));

/** As many of a list as that share, spread over it. */
export const someOf = <T>(all: readonly T[]): readonly T[] => {
  const count = Math.min(all.length, runs(all.length));
  return Array.from({ length: count }, (_, i) => all[Math.floor((i * all.length) / count)]!);
};
