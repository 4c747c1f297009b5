/** What a side view is laid out for, in pixels; it is scaled to what there is. */
export interface DrawingSpace {
  readonly width: number;
  readonly height: number;
}

/** Where side views are shown: small on a card of the shelf, large on the Bench. */
export const SPACES = {
  shelf: { width: 480, height: 270 },
  bench: { width: 880, height: 380 },
} as const satisfies Record<string, DrawingSpace>;
