import type { Train } from '../train';
import { drawFrom } from './draw';
import type { Question } from './question';
import { SKILLS, type Skill } from './skills';
import { subjectOf } from './subject';

export interface PracticeOptions {
  readonly seed: number;
  readonly count: number;
  /** One skill only; all of them, mixed, where it is not given. */
  readonly skill?: Skill;
}

export interface Practice {
  readonly questions: readonly Question[];
  /** Skills of which this train gives no question. */
  readonly skipped: readonly Skill[];
}

/** A skill that chance does not favour is tried so often before it is given up. */
const TRIES = 12;

/** Questions from a train: the same seed gives the same ones on every machine. The same question is not asked twice as long as there are others. */
export function practise(train: Train, { seed, count, skill }: PracticeOptions): Practice {
  const subject = subjectOf(train);
  const draw = drawFrom(seed);
  const skills = skill ? [skill] : (Object.keys(SKILLS) as Skill[]);
  const skipped = new Set<Skill>();
  const asked = new Set<string>();
  const questions: Question[] = [];
  for (let round = 0; round <= count * TRIES && questions.length < count && skipped.size < skills.length; round++) {
    for (const own of draw.shuffled(skills.filter((one) => !skipped.has(one)))) {
      if (questions.length >= count) break;
      let made = SKILLS[own](subject, draw);
      for (let tries = 1; tries < TRIES && (!made || asked.has(made.text)); tries++) made = SKILLS[own](subject, draw);
      if (made) {
        asked.add(made.text);
        questions.push({ id: `q${questions.length + 1}`, skill: own, ...made });
      } else if (round === 0) skipped.add(own);
    }
  }
  return { questions, skipped: [...skipped] };
}
