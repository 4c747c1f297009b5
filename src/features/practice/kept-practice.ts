import { questionOf, readWorksheet, subjectOf, worksheetText, type DrillQuestion, type Skill } from '@/core/practice';
import { checkTrain } from '@/core/train';
import type { AskedTrain, OpenDrill, OpenSheet, PracticeState } from './store';

/** What outlives a reload: what goes on, and what is asked for. */
export const KEPT_FIELDS = ['mode', 'wanted', 'drill', 'sheet', 'hunt'] as const;
type Kept = Pick<PracticeState, (typeof KEPT_FIELDS)[number]>;

/** A drill as text: what makes its questions again, and not what they are. */
interface WrittenDrill extends Omit<OpenDrill, 'trains' | 'questions'> {
  readonly trains: readonly Pick<AskedTrain, 'id' | 'train'>[];
  readonly questions: readonly Pick<DrillQuestion, 'id' | 'skill' | 'seed' | 'train'>[];
}

interface WrittenSheet extends Omit<OpenSheet, 'file' | 'sheet'> {
  readonly text: string;
}

/** What goes on, in a form that can be written down. */
export interface WrittenPractice extends Omit<Kept, 'drill' | 'sheet'> {
  readonly drill: WrittenDrill | null;
  readonly sheet: WrittenSheet | null;
}

export const writePractice = ({ drill, sheet, ...plain }: Kept): WrittenPractice => ({
  ...plain,
  drill: drill && {
    ...drill,
    trains: drill.trains.map(({ id, train }) => ({ id, train })),
    questions: drill.questions.map(({ id, skill, seed, train }) => ({ id, skill, seed, train })),
  },
  sheet: sheet && writeSheet(sheet),
});

function writeSheet({ file, sheet: _, ...filledIn }: OpenSheet): WrittenSheet {
  return { ...filledIn, text: worksheetText(file) };
}

/** Makes the questions again. A drill or a sheet that can no longer be made is left out. */
export const readPractice = ({ drill, sheet, ...plain }: WrittenPractice): Kept => ({
  ...plain,
  drill: drill && readDrill(drill),
  sheet: sheet && readSheet(sheet),
});

function readDrill(written: WrittenDrill): OpenDrill | null {
  const trains = written.trains.flatMap(({ id, train }): AskedTrain[] => {
    const checked = checkTrain(train, { kept: true });
    return checked.ok ? [{ id, train: checked.train, subject: subjectOf(checked.train) }] : [];
  });
  if (trains.length < written.trains.length) return null;
  const questions = written.questions.flatMap(({ id, skill, seed, train }): DrillQuestion[] => {
    const subject = trains[train]?.subject;
    const made = subject && questionOf(subject, skill as Skill, seed);
    return made ? [{ ...made, id, train }] : [];
  });
  return questions.length < written.questions.length ? null : { ...written, trains, questions };
}

function readSheet({ text, ...filledIn }: WrittenSheet): OpenSheet | null {
  const read = readWorksheet(text);
  return read.ok ? { ...filledIn, file: read.value.file, sheet: read.value.sheet } : null;
}
