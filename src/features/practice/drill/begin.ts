import { refusalSentence } from '@/core/result';
import {
  skillsWithoutQuestions,
  drill,
  mark,
  SKILL_NAMES,
  type GivenAnswer,
  type Mark,
  type Skill,
} from '@/core/practice';
import { readNumbers } from '../asked/numbers';
import { skillsOf } from '../asked/skills';
import { gatherTrains } from '../gather';
import { drillOrder } from '../progress/repeats';
import { record } from '../record';
import type { PracticeStore } from '../store';
import type { Here } from '../use-practice';
import { itemAt } from '@/core/required';

export const MOST_IN_A_DRILL = 100;

/** Begins a drill with what is wanted: what is due first, under whoever's name it is. */
export async function beginDrill(store: PracticeStore, here: Here | null): Promise<void> {
  const { wanted, answers, tell, refuse, begin, end, putDrill } = store.getState();
  const numbers = readNumbers(wanted, MOST_IN_A_DRILL);
  if (!numbers.ok) return refuse(refusalSentence(numbers));
  begin();
  const gathered = await gatherTrains(wanted, here, numbers.value.seed);
  end();
  if (!gathered.ok) return refuse(refusalSentence(gathered));
  const asked = skillsOf(wanted.skills);
  const subjects = gathered.value.map(({ subject }) => subject);
  const questions = drill(subjects, {
    seed: numbers.value.seed,
    count: numbers.value.count,
    skills: drillOrder(answers, asked, new Date()),
  });
  if (questions.length === 0) {
    putDrill(null);
    return refuse(NO_QUESTION);
  }
  tell(skippedNote(skillsWithoutQuestions(subjects, asked)));
  putDrill({
    id: crypto.randomUUID(),
    trains: gathered.value,
    questions,
    at: 0,
    answers: [],
    begunAt: Date.now(),
    endedAt: null,
  });
}

export const NO_QUESTION = 'These trains give no question of these skills: tick others.';

/** Says which of the skills that are asked for these trains cannot be asked. */
export const skippedNote = (missing: readonly Skill[]) =>
  missing.length > 0
    ? {
        text:
          'Skipped, for these trains give no question of it: ' +
          `${missing.map((skill) => SKILL_NAMES[skill]).join(', ')}.`,
        bad: false,
      }
    : null;

/** Marks an answer to the question that is asked. What cannot be marked is said, and nothing is written down. */
export function giveAnswer(store: PracticeStore, given: GivenAnswer): Mark | null {
  const { drill: own, putDrill } = store.getState();
  const question = own?.questions[own.at];
  if (!own || !question || own.answers.length > own.at) return null;
  const marked = mark(question, given);
  if (marked.verdict === 'unread') return marked;
  putDrill({ ...own, answers: [...own.answers, { given, mark: marked }] });
  void record(store, `${own.id}-${question.id}`, {
    train: itemAt(own.trains, question.train).train.name,
    skill: question.skill,
    mark: marked,
  });
  return marked;
}

/** Goes on to the next question, or to the end. */
export function nextQuestion(store: PracticeStore): void {
  const { drill: own, putDrill } = store.getState();
  if (!own || own.answers.length <= own.at) return;
  const at = own.at + 1;
  putDrill({ ...own, at, endedAt: at === own.questions.length ? Date.now() : null });
}
