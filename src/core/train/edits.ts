import { checkTrain } from './parse';
import { teethSchema, type Train } from './schema';

/** An edit gives a new document, or says in a sentence why it cannot be done; the old one is never touched. */
export type Edit = { readonly ok: true; readonly train: Train } | { readonly ok: false; readonly message: string };

const checked = (train: Train): Edit => {
  const result = checkTrain(train);
  return result.ok ? result : { ok: false, message: result.problems[0]!.message };
};

/** Reads a typed tooth count: whole, 1 to 100 000. */
export function readTeeth(text: string): { ok: true; teeth: number } | { ok: false; message: string } {
  const trimmed = text.trim();
  if (trimmed === '') return { ok: false, message: 'Type a tooth count: a whole number from 1 to 100 000.' };
  if (!/^[+-]?\d+(\.\d+)?([eE][+-]?\d+)?$/.test(trimmed)) return { ok: false, message: `"${trimmed.slice(0, 20)}" is not a number. Type a whole number from 1 to 100 000.` };
  const result = teethSchema.safeParse(Number(trimmed));
  return result.success ? { ok: true, teeth: result.data } : { ok: false, message: `${result.error.issues[0]!.message} Type a whole number from 1 to 100 000.` };
}

/** Gives a gear another tooth count. */
export function setTeeth(train: Train, gearId: string, teeth: number): Edit {
  if (!train.gears.some((gear) => gear.id === gearId)) return { ok: false, message: `There is no gear "${gearId}".` };
  return checked({ ...train, gears: train.gears.map((gear) => (gear.id === gearId ? { ...gear, teeth } : gear)) });
}

/** Renames the train. */
export const renameTrain = (train: Train, name: string): Edit => checked({ ...train, name: name.trim() });
