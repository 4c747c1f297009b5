import { type OpenTrain } from '../kinematics';
import { toFraction, type Rational } from '../rational';
import { solveEngaged, type Status } from '../solve';
import type { Train } from '../train';
import { withFaults, type Fault, type Faulty } from './hypotheses';
import { modelOf } from '../model';

/** What a train does when a hand engages something: seen from outside, so held outputs count as no drive. */
export interface Outcome {
  readonly status: 'drive' | 'split' | 'neutral' | 'locked';
  /** Signed, in/out; of a drive only. */
  readonly ratio: Rational | null;
}

/** From outside, an output that is forced to stand cannot be told from one that nothing drives. */
const SEEN: Readonly<Record<Status, Outcome['status']>> = {
  drive: 'drive',
  split: 'split',
  neutral: 'neutral',
  held: 'neutral',
  locked: 'locked',
};

/** What a train with these faults does, engagement by engagement; each is solved once. */
export type Behaviour = (applied: readonly string[]) => Outcome;

/** A train opened once for all suspects that leave its parts as they are. */
export function behavioursOf(train: Train): (faults: readonly Fault[]) => Behaviour {
  const sound = modelOf(train).open;
  const opened = new Map<string, OpenTrain>();
  const openFor = (faults: readonly Fault[], { train: faulty }: Faulty): OpenTrain => {
    const changing = faults.filter(({ fault }) => fault !== 'never-engages' && fault !== 'stuck-on');
    if (changing.length === 0) return sound;
    const key = changing.map(({ fault, part }) => `${fault} ${part}`).join('\n');
    const known = opened.get(key) ?? modelOf(faulty).open;
    opened.set(key, known);
    return known;
  };
  return (faults) => {
    const faulty = withFaults(train, faults);
    const open = openFor(faults, faulty);
    const kept = new Map<string, Outcome>();
    return (applied) => {
      const engaged = faulty.engaged(applied);
      const key = [...engaged].sort().join('\n');
      const known = kept.get(key);
      if (known) return known;
      const { status, ratio } = solveEngaged(open, engaged);
      const outcome: Outcome = { status: SEEN[status], ratio: status === 'drive' ? ratio : null };
      kept.set(key, outcome);
      return outcome;
    };
  };
}

/** Two outcomes that look the same from outside have the same key. */
export const outcomeKey = ({ status, ratio }: Outcome): string => `${status} ${ratio ? toFraction(ratio) : ''}`;
