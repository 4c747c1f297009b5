import type { BesideKeeping } from '@/server/trains/beside-routes';

export const SEARCHES: BesideKeeping = { noun: 'A search', kind: 'search', table: 'searches' };
