import { readWritten } from '@/core/tooth-search';
import type { BesideKeeping } from '@/server/trains/beside-routes';

export const SEARCHES: BesideKeeping = {
  noun: 'A search',
  table: ({ searches }) => searches,
  wrong: (document) => {
    const read = readWritten(document);
    return read.ok ? null : read.message;
  },
};
