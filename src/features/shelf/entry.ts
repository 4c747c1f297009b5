import type { TrainSummary } from '@/core/gear-chart';

interface Listed {
  readonly id: string;
  readonly name: string;
  readonly version: number;
  readonly updatedAt: string;
}

/** A train as the shelf lists it. */
export type ReadableEntry = Listed & TrainSummary;

/** A train that is kept but does not read, and why. */
export type UnreadableEntry = Listed & { readonly unreadable: string };

export type ShelfEntry = ReadableEntry | UnreadableEntry;

export const isReadable = (entry: ShelfEntry): entry is ReadableEntry => !('unreadable' in entry);
