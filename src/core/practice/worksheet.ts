import * as z from 'zod/mini';
import { checkTrain, problemText, type Train } from '../train';
import { questionOf, type DrillQuestion } from './practice';
import type { PracticeQuestion } from './question';
import { rolesTable, type RolesRow } from './roles-table';
import { SKILLS, type Skill } from './skills';
import { subjectOf, type Subject } from './subject';
import { itemAt } from '../required';
import { accept, parseJson, refuse, resultOf, type Result } from '../result';

const MOST_TRAINS = 50;
const MOST_QUESTIONS = 500;

const whole = (most: number, message: string) =>
  z.number({ error: message }).check(z.int(message), z.gte(0, message), z.lte(most, message));

/**
 * Questions out of chosen trains as a file (format "tin-wheel/worksheet", version 1): the trains themselves, and of
 * each question only what makes it again.
 */
const worksheetSchema = z.strictObject({
  format: z.literal('tin-wheel/worksheet', { error: 'The format must be "tin-wheel/worksheet".' }),
  version: z.literal(1, { error: 'This version of the format is not known here: it must be 1.' }),
  name: z
    .string({ error: 'A worksheet has a name.' })
    .check(z.trim(), z.minLength(1, 'A worksheet has a name.'), z.maxLength(120, 'A name has at most 120 characters.')),
  trains: z
    .array(
      z.strictObject({
        /** Where it stands on the shelf it comes from. */
        id: z.optional(z.string({ error: 'An id is a text.' }).check(z.maxLength(255))),
        train: z.unknown(),
      }),
      { error: 'trains is a list of trains.' },
    )
    .check(
      z.minLength(1, 'A worksheet is about one train at least.'),
      z.maxLength(MOST_TRAINS, `A worksheet is about at most ${MOST_TRAINS} trains.`),
    ),
  /** Trains whose roles table is to be filled, by their place in the list. */
  tables: z.optional(z.array(whole(MOST_TRAINS, 'A table names a train by its place, from 0.'))),
  questions: z
    .array(
      z.strictObject({
        train: whole(MOST_TRAINS, 'A question names its train by its place, from 0.'),
        skill: z.enum(Object.keys(SKILLS) as [Skill, ...Skill[]], {
          error: `The skills are ${Object.keys(SKILLS).join(', ')}.`,
        }),
        seed: whole(2 ** 32 - 1, 'A seed is a whole number.'),
      }),
      { error: 'questions is a list.' },
    )
    .check(z.maxLength(MOST_QUESTIONS, `A worksheet has at most ${MOST_QUESTIONS} questions.`)),
});

export type WorksheetFile = Omit<z.infer<typeof worksheetSchema>, 'trains'> & {
  readonly trains: readonly { readonly id?: string | undefined; readonly train: Train }[];
};

/** A worksheet whose questions are made: what is asked on screen and on paper. */
export interface Worksheet {
  readonly name: string;
  readonly trains: readonly { readonly id?: string | undefined; readonly train: Train; readonly subject: Subject }[];
  readonly tables: readonly { readonly train: number; readonly rows: readonly RolesRow[] }[];
  readonly questions: readonly DrillQuestion[];
}

/** A worksheet's file with the questions that it makes. */
export interface MadeWorksheet {
  readonly file: WorksheetFile;
  readonly sheet: Worksheet;
}

/** Reads a worksheet out of a file's text and makes its questions. */
export function readWorksheet(text: string): Result<MadeWorksheet> {
  const json = parseJson(text);
  if (!json.ok) return json;
  const parsed = resultOf(worksheetSchema.safeParse(json.value));
  if (!parsed.ok) return parsed;
  const trains: { readonly id?: string; readonly train: Train }[] = [];
  for (const [i, one] of parsed.value.trains.entries()) {
    const checked = checkTrain(one.train);
    if (!checked.ok) return refuse(problemText(itemAt(checked.problems, 0)), ['trains', i, 'train']);
    trains.push({ ...(one.id !== undefined && { id: one.id }), train: checked.train });
  }
  return worksheetOf({ ...parsed.value, trains });
}

/** Makes the questions of a worksheet. */
export function worksheetOf(file: WorksheetFile): Result<MadeWorksheet> {
  const trains = file.trains.map((one) => ({ ...one, subject: subjectOf(one.train) }));
  const questions: (PracticeQuestion & { readonly train: number })[] = [];
  for (const [i, { train, skill, seed }] of file.questions.entries()) {
    const own = trains[train];
    if (!own) return refuse(`there is no train ${train}, they count from 0.`, ['questions', i, 'train']);
    const made = questionOf(own.subject, skill, seed);
    if (!made)
      return refuse(`${own.train.name} gives no question of the skill “${skill}” with this seed.`, ['questions', i]);
    questions.push({ ...made, train, id: `q${i + 1}` });
  }
  const tables: { readonly train: number; readonly rows: readonly RolesRow[] }[] = [];
  for (const [i, train] of (file.tables ?? []).entries()) {
    const own = trains[train];
    if (!own) return refuse(`there is no train ${train}, they count from 0.`, ['tables', i]);
    const rows = rolesTable(own.subject);
    if (rows.length === 0)
      return refuse(`${own.train.name} has no position on fixed axes to fill a roles table for.`, ['tables', i]);
    tables.push({ train, rows });
  }
  return accept({ file, sheet: { name: file.name, trains, tables, questions } });
}

/** The file's text: the same worksheet gives the same text. */
export const worksheetText = (file: WorksheetFile): string => `${JSON.stringify(file, null, 1)}\n`;
