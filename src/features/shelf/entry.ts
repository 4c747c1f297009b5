import type { ReadableEntry, ShelfEntry } from '@/wire';

export const isReadable = (entry: ShelfEntry): entry is ReadableEntry => !('unreadable' in entry);
