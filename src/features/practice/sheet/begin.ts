import {
  skillsWithoutQuestions,
  drill,
  mark,
  readWorksheet,
  rolesTable,
  worksheetOf,
  type GivenAnswer,
  type Mark,
  type Skill,
  type WorksheetFile,
} from '@/core/practice';
import { serialiseTrain } from '@/core/train';
import { fetchTrain } from '@/wire';
import { readNumbers } from '../asked/numbers';
import { skillsOf } from '../asked/skills';
import { NO_QUESTION, skippedNote } from '../drill/begin';
import { gatherTrains } from '../gather';
import { record } from '../record';
import type { OpenSheet, PracticeStore } from '../store';
import type { Here } from '../use-practice';
import { itemsOf } from './items';
import { refusalSentence, refusalText } from '@/core/result';

export const MOST_ON_A_SHEET = 200;

/** Makes a worksheet of what is wanted: the same seed makes the same sheet. */
export async function makeSheet(store: PracticeStore, here: Here | null, name: string, tables: boolean): Promise<void> {
  const { wanted, tell, refuse, begin, end } = store.getState();
  const numbers = readNumbers(wanted, MOST_ON_A_SHEET);
  if (!numbers.ok) return refuse(refusalSentence(numbers));
  begin();
  const gathered = await gatherTrains(wanted, here, numbers.value.seed);
  end();
  if (!gathered.ok) return refuse(refusalSentence(gathered));
  const trains = gathered.value;
  const skills = skillsOf(wanted.skills);
  const subjects = trains.map(({ subject }) => subject);
  const questions = drill(subjects, { seed: numbers.value.seed, count: numbers.value.count, skills });
  const file: WorksheetFile = {
    format: 'tin-wheel/worksheet',
    version: 1,
    name: name.trim() || 'Worksheet',
    trains: trains.map(({ id, train }) => ({ ...(id !== undefined && { id }), train })),
    ...(tables && { tables: subjects.flatMap((subject, i) => (rolesTable(subject).length > 0 ? [i] : [])) }),
    // By train, so that each is drawn once.
    questions: [...questions]
      .sort((a, b) => a.train - b.train)
      .map(({ train, skill, seed }) => ({ train, skill: skill as Skill, seed })),
  };
  if (questions.length === 0 && !file.tables?.length) return refuse(NO_QUESTION);
  openSheet(store, file);
  tell(skippedNote(skillsWithoutQuestions(subjects, skills)));
}

function openSheet(store: PracticeStore, file: WorksheetFile): string | null {
  const made = worksheetOf(file);
  if (!made.ok) return refusalText(made);
  const { sheet: before, putSheet } = store.getState();
  const { atOnce, answersOnPaper } = before ?? { atOnce: false, answersOnPaper: true };
  const fresh: OpenSheet = {
    id: crypto.randomUUID(),
    file,
    sheet: made.value.sheet,
    given: {},
    marked: [],
    atOnce,
    answersOnPaper,
    changed: [],
  };
  putSheet(fresh);
  void lookForChanges(store, fresh);
  return null;
}

/** Opens a worksheet's text; what is wrong with it, or null. */
export function openSheetText(store: PracticeStore, text: string): string | null {
  const read = readWorksheet(text);
  return read.ok ? openSheet(store, read.value.file) : refusalText(read);
}

/** Says which trains stand otherwise on the shelf by now: the sheet asks about them as they were. */
async function lookForChanges(store: PracticeStore, { id, sheet }: OpenSheet): Promise<void> {
  const changed: string[] = [];
  for (const { id: trainId, train } of sheet.trains) {
    if (trainId === undefined) continue;
    const now = await fetchTrain(trainId);
    if (now.ok && serialiseTrain(now.value.train) !== serialiseTrain(train)) changed.push(train.name);
  }
  const { sheet: open, putSheet } = store.getState();
  if (open?.id === id && changed.length > 0) putSheet({ ...open, changed });
}

/** Puts down what is typed or picked for a question or cell. */
export function fillIn(store: PracticeStore, key: string, given: GivenAnswer): void {
  const { sheet, putSheet } = store.getState();
  if (sheet) putSheet({ ...sheet, given: { ...sheet.given, [key]: given } });
}

/** How an item of a sheet stands. Null where nothing was given. */
export function markOf(
  sheet: Pick<OpenSheet, 'given'>,
  item: { readonly key: string; readonly asked: Parameters<typeof mark>[0] },
): Mark | null {
  const given = sheet.given[item.key];
  if (given === undefined || (typeof given === 'string' && given.trim() === '')) return null;
  return mark(item.asked, given);
}

/**
 * Marks some items of the sheet, or all of them; what can be marked is written down under whoever's name it is, once.
 */
export function markItems(store: PracticeStore, keys: readonly string[] | 'all'): void {
  const { sheet, putSheet } = store.getState();
  if (!sheet) return;
  const items = itemsOf(sheet.sheet).filter(({ key }) => keys === 'all' || keys.includes(key));
  for (const item of items) {
    const marked = markOf(sheet, item);
    if (marked && marked.verdict !== 'unread' && !sheet.marked.includes(item.key))
      void record(store, `${sheet.id}-${item.key}`.slice(0, 64), {
        train: item.train.name,
        skill: item.skill,
        mark: marked,
      });
  }
  putSheet({ ...sheet, marked: [...new Set([...sheet.marked, ...items.map(({ key }) => key)])] });
}
