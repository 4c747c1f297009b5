import type { BesideKeeping } from '@/server/trains/beside-routes';

// The positions that a scenario names are those of the train as it is on the page, which may be saved a moment later.
export const SCENARIOS: BesideKeeping = { noun: 'A scenario', kind: 'scenario', table: 'scenarios' };
