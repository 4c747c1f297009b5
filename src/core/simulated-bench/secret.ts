import { behavioursOf, faultWords, outcomeKey, singleFaults, type Fault } from '../faults';
import type { Train } from '../train';
import { couplerName } from '../words';

/** What may be wrong with a train on the simulated bench. */
export type Trick = 'nothing' | 'swapped' | 'fault';

/** What the simulated bench keeps to itself. */
export interface Secret {
  /** Of every mesh. */
  readonly meshEfficiency: number;
  /** Share of its speed that a train with belts loses. */
  readonly slip: number;
  readonly faults: readonly Fault[];
  /** What is engaged when a position is taken: two couplers may be connected the wrong way round. */
  readonly rewired: (engaged: readonly string[]) => readonly string[];
  /** In a sentence. */
  readonly says: string;
}

const [LEAST, MOST] = [0.93, 0.99];
const MOST_SLIP = 0.02;

export function secretOf(train: Train, trick: Trick, random: () => number): Secret {
  const meshEfficiency = Number((LEAST + (MOST - LEAST) * random()).toFixed(3));
  const belts = train.gears.some(({ type }) => type === 'pulley');
  const slip = belts ? Number((MOST_SLIP * random()).toFixed(4)) : 0;
  const sound: Secret = {
    meshEfficiency,
    slip,
    faults: [],
    rewired: (engaged) => engaged,
    says: 'Nothing is wrong with it.',
  };
  const without = (why: string): Secret => ({ ...sound, says: `Nothing is wrong with it: ${why}.` });
  const pick = <T>(of: readonly T[]): T | undefined => of[Math.floor(random() * of.length)];
  switch (trick) {
    case 'nothing':
      return sound;
    case 'swapped': {
      const pair = pick(noticeablePairs(train));
      if (!pair) return without('two swapped couplers would show in no position of it');
      const [a, b] = pair;
      const says = `${couplerName(train, a)} and ${couplerName(train, b)} are swapped.`;
      return { ...sound, rewired: swapping(a, b), says };
    }
    case 'fault': {
      const fault = pick(noticeableFaults(train));
      if (!fault) return without('one bad part would show in no position of it');
      return { ...sound, faults: [fault], says: `${faultWords(train, fault)}.` };
    }
  }
}

const swapping =
  (a: string, b: string) =>
  (engaged: readonly string[]): readonly string[] =>
    engaged.map((id) => (id === a ? b : id === b ? a : id));

/** Pairs of couplers that some position tells apart. */
function noticeablePairs(train: Train): readonly (readonly [string, string])[] {
  const behaviour = behavioursOf(train)([]);
  const ids = [...new Set(train.positions.flatMap(({ engaged }) => engaged))];
  return ids.flatMap((a, i) =>
    ids
      .slice(i + 1)
      .filter((b) =>
        train.positions.some(
          ({ engaged }) => outcomeKey(behaviour(engaged)) !== outcomeKey(behaviour(swapping(a, b)(engaged))),
        ),
      )
      .map((b) => [a, b] as const),
  );
}

/** Faults that some position shows. */
function noticeableFaults(train: Train): readonly Fault[] {
  const behavioursFor = behavioursOf(train);
  const sound = behavioursFor([]);
  return singleFaults(train).filter((fault) => {
    const behaviour = behavioursFor([fault]);
    return train.positions.some(({ engaged }) => outcomeKey(behaviour(engaged)) !== outcomeKey(sound(engaged)));
  });
}
