import { shapeOfScenario } from '@/core/shifting';
import type { BesideKeeping } from '@/server/trains/beside-routes';

export const SCENARIOS: BesideKeeping = {
  noun: 'A scenario',
  table: ({ scenarios }) => scenarios,
  // The positions that it names are those of the train as it is on the page, which may be saved a moment later.
  wrong: (document) => {
    const read = shapeOfScenario(document);
    return read.ok ? null : read.message;
  },
};
