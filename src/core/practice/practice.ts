import { abs, equals, ONE } from '../rational';
import type { Train } from '../train';
import { drawFrom } from './draw';
import type { PracticeQuestion } from './question';
import { SKILLS, type Skill } from './skills';
import { subjectOf, type Subject } from './subject';
import { itemAt } from '../required';

export interface PracticeOptions {
  readonly seed: number;
  readonly count: number;
  /** One skill only; all of them, mixed, where it is not given. */
  readonly skill?: Skill;
}

export interface PracticeSet {
  readonly questions: readonly PracticeQuestion[];
  /** Skills of which this train gives no question. */
  readonly skipped: readonly Skill[];
}

/** A skill that chance does not favour is tried so often before it is given up. */
const TRIES = 12;
const MOST_SEED = 2 ** 32 - 1;

/**
 * Questions from a train: the same seed gives the same ones on every machine. The same question is not asked twice as
 * long as there are others.
 */
export function practise(train: Train, { seed, count, skill }: PracticeOptions): PracticeSet {
  const subject = subjectOf(train);
  const draw = drawFrom(seed);
  const skills = skill ? [skill] : (Object.keys(SKILLS) as Skill[]);
  const skipped = new Set<Skill>();
  const asked: Asked = { texts: new Set(), direct: 0 };
  const questions: PracticeQuestion[] = [];
  for (let round = 0; round <= count * TRIES && questions.length < count && skipped.size < skills.length; round++) {
    for (const own of draw.shuffled(skills.filter((one) => !skipped.has(one)))) {
      if (questions.length >= count) break;
      const made = ask(subject, own, () => draw.whole(0, MOST_SEED), asked, true);
      if (made) questions.push({ ...made, id: `q${questions.length + 1}` });
      else if (round === 0) skipped.add(own);
    }
  }
  return { questions, skipped: [...skipped] };
}

/**
 * The question that a skill makes of a train with this seed; undefined where it makes none. It is the same wherever it
 * is asked.
 */
export function questionOf(subject: Subject, skill: Skill, seed: number): Omit<PracticeQuestion, 'id'> | undefined {
  const made = SKILLS[skill](subject, drawFrom(seed));
  // A choice of one is no choice.
  return made && !('choices' in made.answer && made.answer.choices.length < 2) ? { skill, seed, ...made } : undefined;
}

/** What was asked so far: the texts, and how many were about direct drive. */
interface Asked {
  readonly texts: Set<string>;
  direct: number;
}

/** At most one question in so many is about a position in which all turns as one: there is little to work out. */
const ONE_DIRECT_IN = 5;

/**
 * A question of one skill that was not asked yet and is not once more about direct drive.
 * @param orAny one that was asked, where there is no other
 */
function ask(
  subject: Subject,
  skill: Skill,
  seed: () => number,
  asked: Asked,
  orAny: boolean,
): Omit<PracticeQuestion, 'id'> | undefined {
  const isDirect = ({ position }: Omit<PracticeQuestion, 'id'>) =>
    subject.driving.some(({ id, ratio }) => id === position && equals(abs(ratio), ONE));
  const directs = ONE_DIRECT_IN * asked.direct > asked.texts.size;
  const isWanted = (one: Omit<PracticeQuestion, 'id'>) => !asked.texts.has(one.text) && !(directs && isDirect(one));
  let made: Omit<PracticeQuestion, 'id'> | undefined;
  for (let tries = 0; tries < TRIES && (!made || !isWanted(made)); tries++) {
    const other = questionOf(subject, skill, seed());
    // A new one about direct drive is better than one that was asked.
    if (other && (!made || !asked.texts.has(other.text))) made = other;
  }
  if (!orAny && made && !isWanted(made)) return undefined;
  if (made && isDirect(made) && !asked.texts.has(made.text)) asked.direct++;
  if (made) asked.texts.add(made.text);
  return made;
}

/** A question, and the train it is asked of, by its place in the list. */
export interface DrillQuestion extends PracticeQuestion {
  readonly train: number;
}

export interface DrillOptions {
  readonly seed: number;
  readonly count: number;
  /** Skills in the order in which they are wanted; begun again from the first when there are more questions. */
  readonly skills: readonly Skill[];
}

/** Skills of which none of these trains gives a question. */
export const skillsWithoutQuestions = (subjects: readonly Subject[], skills: readonly Skill[]): readonly Skill[] =>
  skills.filter((skill) => drill(subjects, { seed: 0, count: 1, skills: [skill] }).length === 0);

/**
 * Questions out of several trains, skill by skill. A skill that one train cannot be asked is asked of another; one that
 * none can is left out.
 */
export function drill(subjects: readonly Subject[], { seed, count, skills }: DrillOptions): readonly DrillQuestion[] {
  const draw = drawFrom(seed);
  const asked: Asked = { texts: new Set(), direct: 0 };
  const questions: DrillQuestion[] = [];
  const barren = new Set<Skill>();
  for (let at = 0; questions.length < count && barren.size < skills.length; at++) {
    const skill = itemAt(skills, at % skills.length);
    if (barren.has(skill)) continue;
    let found = false;
    for (const train of draw.shuffled(subjects.map((_, i) => i))) {
      const made = ask(itemAt(subjects, train), skill, () => draw.whole(0, MOST_SEED), asked, false);
      if (!made) continue;
      questions.push({ ...made, train, id: `q${questions.length + 1}` });
      found = true;
      break;
    }
    if (!found) barren.add(skill);
  }
  return questions;
}
