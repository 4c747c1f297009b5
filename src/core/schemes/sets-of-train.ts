import { planetarySetsOf, type Train } from '../train';
import type { GivenSet } from './question';

const NAMES = ['front', 'middle', 'rear', 'last'];

/** The planetary sets of a train as they are asked about, with names by their order. */
export const setsOfTrain = (train: Train): readonly GivenSet[] =>
  planetarySetsOf(train).map((set, i): GivenSet => {
    const counts = { id: NAMES[i] ?? `set ${i + 1}`, sun: set.sun.teeth, ring: set.ring.teeth };
    return set.kind === 'stepped'
      ? { ...counts, kind: set.kind, planet: set.planet.teeth, second: set.second.teeth }
      : { ...counts, kind: set.kind };
  });
