import {
  chartOf,
  gridOf,
  influenceOf,
  possibleShifts,
  sequenceOf,
  speedLinesOf,
  stageTable,
  type Chart,
} from '@/core/gear-chart';
import type { Train } from '@/core/train';
import { DOCUMENTS, Recent } from '@/features/train/recent';

/**
 * What is worked out from a document alone: each when it is first asked for, and kept for the documents looked at last.
 */
function perTrain<T>(make: (train: Train) => T): (train: Train) => T {
  const found = new Recent<Train, { readonly made: T }>(DOCUMENTS);
  return (train) => {
    const known = found.get(train);
    if (known) return known.made;
    const made = make(train);
    found.set(train, { made });
    return made;
  };
}

const ideal = perTrain((train) => chartOf(train));
const lossy = perTrain((train) => chartOf(train, { losses: true }));

export const chartFor = (train: Train, losses: boolean): Chart => (losses ? lossy : ideal)(train);

export const gridFor = perTrain((train) =>
  gridOf(
    ideal(train),
    train.couplers.map(({ id }) => id),
  ),
);
export const stagesFor = perTrain((train) => stageTable(ideal(train)));
export const influenceFor = perTrain(influenceOf);
export const sequenceFor = perTrain(sequenceOf);
export const speedLinesFor = perTrain(speedLinesOf);

export const shiftsFor = perTrain(possibleShifts);
