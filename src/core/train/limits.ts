/** How much a document may hold. */
export const LIMITS = {
  members: 400,
  gears: 800,
  meshes: 1200,
  couplers: 64,
  selectors: 64,
  positions: 128,
  outputs: 32,
  setAside: 400,
  teeth: 100_000,
} as const;

/** A profile shift either way, in modules; a tooth that is shifted much further has no outline any more. */
export const MOST_SHIFT = 2;

/** How a coupler is made. */
export const COUPLER_STYLES = ['friction', 'dog', 'synchro', 'band', 'pawl', 'roller', 'pin'] as const;

/** What gears are made of, as far as the speed of their tips is limited by it. */
export const MATERIALS = ['steel', 'cast iron', 'bronze', 'aluminium', 'nylon', 'acetal', 'printed', 'wood'] as const;
export type Material = (typeof MATERIALS)[number];

/** What is said of a second input. */
export const ONE_INPUT = 'A train has one input: make the other an output, with its torque as a load below 0.';
