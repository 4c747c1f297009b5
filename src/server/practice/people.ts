import { personName } from '@/wire/kept-names';
import type { Database, Tables } from '../database';
import { MOST } from '../most';
import { putAside } from '../put-aside';
import { keptAnswer } from '../wrong';

export interface StoredPerson {
  readonly id: string;
  readonly name: string;
}

/** Who practises here, by name. */
export async function listPeople({ people }: Database): Promise<readonly StoredPerson[]> {
  const rows = (await people.findAll({ raw: true })) as unknown as StoredPerson[];
  return rows.map(({ id, name }) => ({ id, name: nameOf(id, name) })).sort((a, b) => a.name.localeCompare(b.name));
}

/** A name, or what stands for one that does not read. */
const nameOf = (id: string, name: unknown): string =>
  personName.safeParse(name).success ? String(name) : `${id} (the name cannot be read)`;

/**
 * Adds a name. Sent twice it is there once; a name that someone else has is refused, in whatever case it is written.
 */
export const addPerson = ({ write }: Database, { id, name }: StoredPerson): Promise<'kept' | 'taken' | 'full'> =>
  write(async ({ people }) => {
    if ((await people.count({ where: { id } })) > 0) return 'kept';
    // The column compares without case.
    if ((await people.count({ where: { name } })) > 0) return 'taken';
    if ((await people.count()) >= MOST.people) return 'full';
    await people.create({ id, name, savedAt: new Date() });
    return 'kept';
  });

/** Takes a name off, with all that was answered under it. False where there is none. */
export const removePerson = ({ write }: Database, id: string): Promise<boolean> =>
  write(async ({ people }) => (await people.destroy({ where: { id } })) === 1);

/** What someone answered, as it is kept, the oldest first; null where there is no such person. */
export async function listAnswers(
  { people, answers }: Tables,
  personId: string,
): Promise<readonly { readonly id: string; readonly document: string }[] | null> {
  if ((await people.count({ where: { id: personId } })) === 0) return null;
  const rows = (await answers.findAll({
    where: { personId },
    order: [
      ['place', 'ASC'],
      ['id', 'ASC'],
    ],
    raw: true,
  })) as unknown as { id: string; document: string }[];
  return rows.map(({ id, document }) => ({ id, document: String(document) }));
}

/** Adds answers; what is there already under an id stays. */
export async function addAnswers(
  { write }: Database,
  personId: string,
  added: readonly { readonly id: string; readonly document: string }[],
): Promise<'kept' | 'missing' | 'full'> {
  const savedAt = new Date();
  const rows = added.map((one) => ({ ...one, personId, savedAt }));
  return write(async ({ people, answers }) => {
    if ((await people.count({ where: { id: personId } })) === 0) return 'missing';
    if ((await answers.count({ where: { personId } })) + added.length > MOST.answers) return 'full';
    await answers.bulkCreate(rows, { ignoreDuplicates: true });
    return 'kept';
  });
}

/** Puts the answers of someone that do not read aside; how many there were, null where there is no such person. */
export const putAnswersAside = ({ write }: Database, personId: string): Promise<number | null> =>
  write(async (tables) => {
    const unreadable = (await listAnswers(tables, personId))?.filter(
      ({ document }) => 'unreadable' in keptAnswer(document),
    );
    const ids = (unreadable ?? []).map(({ id }) => id);
    await putAside(tables, 'practice_answers', personId, ids);
    return unreadable?.length ?? null;
  });
