import { UniqueConstraintError } from 'sequelize';
import type { Database } from '../database';

const MOST_PEOPLE = 500;
const MOST_ANSWERS = 50_000;

export interface Person {
  readonly id: string;
  readonly name: string;
}

/** Who practises here, by name. */
export async function listPeople({ reading: { people } }: Database): Promise<readonly Person[]> {
  const rows = (await people.findAll({ raw: true })) as unknown as Person[];
  return rows.map(({ id, name }) => ({ id, name })).sort((a, b) => a.name.localeCompare(b.name));
}

/** Adds a name. Sent twice it is there once; a name that someone else has is refused, in whatever case it is written. */
export async function addPerson({ people }: Database, { id, name }: Person): Promise<'kept' | 'taken' | 'full'> {
  if ((await people.count({ where: { id } })) > 0) return 'kept';
  if ((await people.count()) >= MOST_PEOPLE) return 'full';
  try {
    await people.create({ id, name, savedAt: new Date() });
    return 'kept';
  } catch (error) {
    if (error instanceof UniqueConstraintError) return 'taken';
    throw error;
  }
}

/** Takes a name off, with all that was answered under it. False where there is none. */
export const removePerson = async ({ people }: Database, id: string): Promise<boolean> =>
  (await people.destroy({ where: { id } })) === 1;

/** What someone answered, as JSON texts, the oldest first; null where there is no such person. */
export async function listAnswers({ reading }: Database, personId: string): Promise<readonly string[] | null> {
  if ((await reading.people.count({ where: { id: personId } })) === 0) return null;
  const rows = (await reading.answers.findAll({
    where: { personId },
    order: [
      ['place', 'ASC'],
      ['id', 'ASC'],
    ],
    raw: true,
  })) as unknown as { document: string }[];
  return rows.map(({ document }) => document);
}

/** Adds answers; what is there already under an id stays. */
export async function addAnswers(
  { people, answers }: Database,
  personId: string,
  added: readonly { readonly id: string; readonly document: string }[],
): Promise<'kept' | 'missing' | 'full'> {
  if ((await people.count({ where: { id: personId } })) === 0) return 'missing';
  if ((await answers.count({ where: { personId } })) + added.length > MOST_ANSWERS) return 'full';
  const savedAt = new Date();
  const rows = added.map((one) => ({ ...one, personId, savedAt }));
  await answers.bulkCreate(rows, { ignoreDuplicates: true });
  return 'kept';
}
