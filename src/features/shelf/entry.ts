import type { TrainSummary } from '@/core/gear-chart';

/** A train as the shelf lists it. */
export interface ShelfEntry extends TrainSummary {
  readonly id: string;
  readonly name: string;
  readonly version: number;
  readonly updatedAt: string;
}
