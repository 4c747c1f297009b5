import {
  behavioursOf,
  nextTestFor,
  outcomeKey,
  singleFaults,
  type Behaviour,
  type Fault,
  type Outcome,
} from '../faults';
import type { Train } from '../train';
import { drawFrom } from './draw';
import { lookUp } from '../required';

/**
 * A hunt for the one part of a train that is bad. Every fault that some position shows may be it; a test is a set of
 * elements that a hand engages, and what the train then does. What a test teaches follows from the faults that stay
 * open after it; faults that no engagement tells apart count as one.
 */
export interface Hunt {
  readonly train: Train;
  readonly secret: Fault;
  /** Every fault that it could be at the beginning. */
  readonly possible: readonly Fault[];
}

/** A test as it came out, and what it was good for. */
export interface HuntTest {
  readonly engaged: readonly string[];
  readonly outcome: Outcome;
  /** As a sound train would do. */
  readonly asComputed: boolean;
  /** Faults that were open before and are after it. */
  readonly before: number;
  readonly after: number;
  /** Every fault that was open before would have given this outcome: it could teach nothing. */
  readonly vain: boolean;
}

/** How a hunt stands after some tests. */
export interface HuntStanding {
  readonly tests: readonly HuntTest[];
  /** Faults that agree with everything that was seen. */
  readonly open: readonly Fault[];
}

/** Faults that some position shows. */
export function showingFaults(train: Train): readonly Fault[] {
  const behavioursFor = behavioursOf(train);
  const sound = behavioursFor([]);
  return singleFaults(train).filter((fault) => {
    const behaviour = behavioursFor([fault]);
    return train.positions.some(({ engaged }) => !alike(behaviour, sound, engaged));
  });
}

const alike = (a: Behaviour, b: Behaviour, engaged: readonly string[]): boolean =>
  outcomeKey(a(engaged)) === outcomeKey(b(engaged));

/** A hunt in a train: the bad part by the seed, or the one that is named. Null where no fault would show. */
export function faultHunt(train: Train, seed: number, named?: Fault): Hunt | null {
  const possible = showingFaults(train);
  const secret = named ?? drawFrom(seed).pick(possible);
  return secret ? { train, secret, possible } : null;
}

/** What each test of a hunt showed and was worth. */
export function huntStanding(
  { train, secret, possible }: Hunt,
  engagements: readonly (readonly string[])[],
): HuntStanding {
  const behavioursFor = behavioursOf(train);
  const behaviours = new Map(possible.map((fault) => [fault, behavioursFor([fault])]));
  const [faulty, sound] = [behavioursFor([secret]), behavioursFor([])];
  let open = possible;
  const tests = engagements.map((engaged): HuntTest => {
    const before = open;
    open = before.filter((fault) => alike(lookUp(behaviours, fault), faulty, engaged));
    return {
      engaged,
      outcome: faulty(engaged),
      asComputed: alike(faulty, sound, engaged),
      before: before.length,
      after: open.length,
      vain: new Set(before.map((fault) => outcomeKey(lookUp(behaviours, fault)(engaged)))).size === 1,
    };
  });
  return { tests, open };
}

/**
 * The tests of one who takes each time the one that leaves the fewest faults on average; and the faults that no test
 * tells from the bad one, itself included.
 */
export function bestHunt(hunt: Hunt): {
  readonly tests: readonly (readonly string[])[];
  readonly alike: readonly Fault[];
} {
  const behavioursFor = behavioursOf(hunt.train);
  const tests: (readonly string[])[] = [];
  for (;;) {
    const { open } = huntStanding(hunt, tests);
    const suspects = open.map((fault) => ({
      faults: [fault],
      agrees: 0,
      of: 0,
      failsOn: null,
      behaviour: behavioursFor([fault]),
    }));
    const sightings = tests.map((engaged) => ({ name: '', engaged, fits: () => true }));
    const next = nextTestFor(hunt.train, { suspects, sound: false, sightings });
    if (!next) return { tests, alike: open };
    tests.push(next.engaged);
  }
}
