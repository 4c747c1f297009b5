/** Moments are found to within this, s. */
export const EVENT_S = 1e-7;

/** Something that happened in a run. */
export interface RunEvent {
  readonly timeS: number;
  /** A shift begins · its new position is in · the load holds everything still · it moves again. */
  readonly kind: 'shift' | 'engaged' | 'stall' | 'moves';
  readonly from: string;
  readonly to: string;
}
