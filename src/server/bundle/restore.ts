import { randomUUID } from 'node:crypto';
import { sqlTime, type Database, type Tables } from '../database';
import { MOST } from '../most';
import { BundleError } from './limits';
import { COLUMNS, type StagedTable } from './staging-file';

/** What is to be done with a train that is on the shelf already. */
export const CHOICES = ['skip', 'both', 'replace'] as const;
export type RestoreChoice = (typeof CHOICES)[number];

export interface Restored {
  readonly added: readonly string[];
  readonly replaced: readonly string[];
  readonly skipped: readonly string[];
  /** Trains that stay as they are, with log entries that only the bundle had. */
  readonly merged: readonly string[];
  /** Who got another name, since theirs is someone else's here. */
  readonly renamed: readonly { readonly from: string; readonly to: string }[];
}

/**
 * Puts what a bundle brings into the database, all or none, without keeping anybody waiting: it comes in parts, each in
 * a short transaction, and is seen when the last one is done. Trains that are new stand in the bin until then; of a
 * train that is there the log grows, and the rest is replaced at the end. What was put in is written down in the table
 * `restoring`, so that it is taken back where the restoring fails or breaks off.
 * @throws BundleError where something would be more than is kept; then nothing has changed
 */
export async function restoreBundle(
  database: Database,
  stagingFile: string,
  choiceFor: (id: string) => RestoreChoice,
): Promise<Restored> {
  const id = randomUUID();
  // Several may be under way.
  const staged = `staged_${id.replaceAll('-', '')}`;
  await database.alone(({ sql }) => sql(`ATTACH ? AS ${staged}`, [stagingFile]));
  try {
    return await new Restoring(database, id, staged, choiceFor).everything();
  } catch (error) {
    await takeBack(database, id);
    throw error;
  } finally {
    await database.alone(({ sql }) => sql(`DETACH ${staged}`));
  }
}

/** What becomes of a train of the bundle, and under which id it stands here. */
interface Target {
  readonly how: 'new' | 'copy' | 'replace' | 'merge' | 'skip';
  readonly to: string;
  readonly name: string;
}

interface Part {
  readonly part: number;
  readonly kind: StagedTable;
  readonly owner: string;
}

/** Of a train that is there these grow; the others are replaced. */
const GROWING: readonly StagedTable[] = ['log_entries', 'pictures'];

class Restoring {
  private readonly targets = new Map<string, Target>();
  /** Entries that came into the log of a train that was there. */
  private readonly grown = new Map<string, number>();
  private readonly renamed: { readonly from: string; readonly to: string }[] = [];

  constructor(
    private readonly database: Database,
    private readonly id: string,
    private readonly staged: string,
    private readonly choiceFor: (id: string) => RestoreChoice,
  ) {}

  async everything(): Promise<Restored> {
    const parts = await this.database.write(({ sql }) => sql<Part>(`SELECT * FROM ${this.staged}.parts ORDER BY part`));
    const last: Part[] = [];
    for (const part of parts) if (!(await this.put(part))) last.push(part);
    await this.database.write(async (tables) => {
      for (const [from, target] of this.targets) await this.settle(tables, from, target, last);
      for (const part of last.filter(({ kind }) => kind === 'worksheets')) await this.copyRows(tables, part, null);
      await this.checkMost(tables, 'worksheets', null, MOST.worksheets);
      await tables.sql('DELETE FROM restoring WHERE restore = ?', [this.id]);
    });
    return this.told();
  }

  /** Puts a part in where it may be there before the rest; false where it is to wait for the end. */
  private async put(part: Part): Promise<boolean> {
    const { kind, owner } = part;
    switch (kind) {
      case 'trains':
        this.targets.set(owner, await this.database.write((tables) => this.place(tables, part)));
        return true;
      case 'people':
        await this.database.write((tables) => this.person(tables, part));
        return true;
      case 'practice_answers':
        await this.database.write((tables) => this.grow(tables, part, owner, MOST.answers));
        return true;
      case 'worksheets':
        return false;
      default:
        return this.putBeside(part);
    }
  }

  private async putBeside(part: Part): Promise<boolean> {
    const target = this.targets.get(part.owner);
    if (!target || target.how === 'skip') return true;
    const { how, to } = target;
    if (how === 'new' || how === 'copy') await this.database.write((tables) => this.copyRows(tables, part, to));
    else if (GROWING.includes(part.kind)) {
      const most = part.kind === 'pictures' ? MOST.pictures : MOST.entries;
      const more = await this.database.write((tables) => this.grow(tables, part, to, most));
      if (part.kind === 'log_entries') this.grown.set(part.owner, (this.grown.get(part.owner) ?? 0) + more);
    } else return how === 'merge';
    return true;
  }

  /** Where a train of the bundle goes; one that is new is put there, in the bin as yet. */
  private async place({ sql, trains, revisions }: Tables, { part, owner }: Part): Promise<Target> {
    const [coming] = await sql<{ name: string; copy_name: string; document: string }>(
      `SELECT name, copy_name, document FROM ${this.staged}.trains WHERE part = ?`,
      [part],
    );
    if (!coming) throw new Error(`The bundle has no train ${owner}.`);
    const there = await trains.findOne({ where: { id: owner }, paranoid: false });
    const choice = there ? this.choiceFor(owner) : 'both';
    if (there && choice === 'replace') return { how: 'replace', to: owner, name: coming.name };
    if (there && choice === 'skip')
      return { how: there.get().document === coming.document ? 'merge' : 'skip', to: owner, name: coming.name };
    const [name, document] = there ? ['copy_name', 'copy_document'] : ['name', 'document'];
    const to = there ? randomUUID() : owner;
    await sql(
      `INSERT INTO trains (id, name, document, version, created_at, updated_at, deleted_at)
        SELECT ?, ${name}, ${document}, version, created_at, updated_at, ? FROM ${this.staged}.trains WHERE part = ?`,
      [to, sqlTime(new Date()), part],
    );
    // The database has kept this as a first state; the states come as they were.
    await revisions.destroy({ where: { trainId: to } });
    await this.note(sql, 'trains', to, '');
    return { how: there ? 'copy' : 'new', to, name: there ? coming.copy_name : coming.name };
  }

  /** Someone who practises is there already, or comes under a name that nobody has. */
  private async person({ sql, people }: Tables, { part, owner }: Part): Promise<void> {
    if ((await people.count({ where: { id: owner } })) > 0) return;
    const [row] = await sql<{ name: string }>(`SELECT name FROM ${this.staged}.people WHERE part = ?`, [part]);
    const from = row?.name ?? owner;
    const to = await freeName(people, from);
    await sql(
      `INSERT INTO people (id, name, saved_at) SELECT id, ?, saved_at FROM ${this.staged}.people WHERE part = ?`,
      [to, part],
    );
    if ((await people.count()) > MOST.people)
      throw new BundleError(`There would be more than ${MOST.people} names, which is the limit: remove some first.`);
    await this.note(sql, 'people', owner, '');
    if (to !== from) this.renamed.push({ from, to });
  }

  /** Puts those rows of a part in that are not there yet; how many those were. */
  private async grow(tables: Tables, part: Part, to: string, most: number): Promise<number> {
    const { kind } = part;
    const owner = COLUMNS[kind][0];
    const isNew = `part = ? AND NOT EXISTS (SELECT 1 FROM main.${kind} AS own WHERE own.${owner} = ?
      AND own.id = coming.id)`;
    await tables.sql(
      'INSERT INTO restoring (restore, at, kind, owner, id) SELECT ?, ?, ?, ?, ' +
        `coming.id FROM ${this.staged}.${kind} AS coming WHERE ${isNew}`,
      [this.id, sqlTime(new Date()), kind, to, part.part, to],
    );
    const [noted] = await tables.sql<{ count: number }>('SELECT changes() AS count');
    if (!noted || noted.count === 0) return 0;
    await this.copyRows(tables, part, to);
    await this.checkMost(tables, kind, to, most);
    return noted.count;
  }

  private async checkMost({ sql }: Tables, kind: StagedTable, owner: string | null, most: number): Promise<void> {
    const whose = owner === null ? '' : ` WHERE ${COLUMNS[kind][0]} = ?`;
    const [row] = await sql<{ count: number }>(
      `SELECT count(*) AS count FROM main.${kind}${whose}`,
      owner === null ? [] : [owner],
    );
    if ((row?.count ?? 0) > most)
      throw new BundleError(
        `There would be more than ${most} ` +
          `${NOUNS[kind]}${owner === null ? '' : ' in one place'}, which is as many ` +
          'as there can be.',
      );
  }

  /** Puts the rows of a part into the table that they are for; those that are there already stay as they are. */
  private async copyRows({ sql }: Tables, { part, kind }: Part, to: string | null): Promise<void> {
    const [owner, ...others] = COLUMNS[kind];
    const columns = to === null ? COLUMNS[kind].join(', ') : others.join(', ');
    await sql(
      to === null
        ? `INSERT OR IGNORE INTO main.${kind} (${columns}) SELECT ${columns} FROM ` +
            `${this.staged}.${kind} WHERE part = ? ORDER BY rowid`
        : `INSERT OR IGNORE INTO main.${kind} (${owner}, ${columns}) SELECT ?, ${columns} ` +
            `FROM ${this.staged}.${kind} WHERE part = ? ORDER BY rowid`,
      to === null ? [part] : [to, part],
    );
  }

  /** The last step of a train: it stands on the shelf as the bundle has it. */
  private async settle(tables: Tables, from: string, { how, to }: Target, parts: readonly Part[]): Promise<void> {
    const { sql } = tables;
    if (how === 'skip' || how === 'merge') return;
    if (how === 'replace') {
      for (const table of ['revisions', 'searches', 'scenarios'])
        await sql(`DELETE FROM ${table} WHERE train_id = ?`, [to]);
      await sql(
        `INSERT INTO trains (id, name, document, version, created_at, updated_at)
          SELECT id, name, document, version, created_at, updated_at FROM ${this.staged}.trains WHERE id = ?
          ON CONFLICT (id) DO UPDATE SET name = excluded.name, document = excluded.document, version = excluded.version,
          created_at = excluded.created_at, updated_at = excluded.updated_at, summary = NULL, summary_version = NULL`,
        [from],
      );
      // As it is written the database keeps a state of it; the states come as they were.
      await sql('DELETE FROM revisions WHERE train_id = ?', [to]);
      for (const part of parts.filter(({ owner }) => owner === from)) await this.copyRows(tables, part, to);
    }
    await sql('UPDATE trains SET deleted_at = NULL WHERE id = ?', [to]);
    // The newest state is what stands on the shelf, a copy's with its own name.
    await sql(
      `INSERT INTO revisions (train_id, version, document, saved_at) SELECT id, version, document, updated_at
        FROM trains WHERE id = ?
        ON CONFLICT (train_id, version) DO ${how === 'copy' ? 'UPDATE SET document = excluded.document' : 'NOTHING'}`,
      [to],
    );
  }

  private note(sql: Tables['sql'], kind: StagedTable, owner: string, id: string) {
    return sql('INSERT INTO restoring (restore, at, kind, owner, id) VALUES (?, ?, ?, ?, ?)', [
      this.id,
      sqlTime(new Date()),
      kind,
      owner,
      id,
    ]);
  }

  private told(): Restored {
    const named = (...how: readonly Target['how'][]) =>
      [...this.targets].filter(([, target]) => how.includes(target.how)).map(([from, { name }]) => ({ from, name }));
    const standing = named('skip', 'merge').map((one) => ({ ...one, grown: (this.grown.get(one.from) ?? 0) > 0 }));
    return {
      added: named('new', 'copy').map(({ name }) => name),
      replaced: named('replace').map(({ name }) => name),
      merged: standing.filter(({ grown }) => grown).map(({ name }) => name),
      skipped: standing.filter(({ grown }) => !grown).map(({ name }) => name),
      renamed: this.renamed,
    };
  }
}

const NOUNS: Partial<Record<StagedTable, string>> = {
  log_entries: 'log entries',
  pictures: 'pictures',
  practice_answers: 'answers',
  worksheets: 'worksheets',
};

/** A name that nobody has here, in whatever case it is written: this one, or this one with a mark. */
async function freeName(people: Tables['people'], name: string): Promise<string> {
  const MOST_LETTERS = 60;
  for (let i = 0; ; i++) {
    const mark = i === 0 ? '' : ` (restored${i === 1 ? '' : ` ${i}`})`;
    const tried = `${name.slice(0, MOST_LETTERS - mark.length)}${mark}`;
    // The column compares without case.
    if ((await people.count({ where: { name: tried } })) === 0) return tried;
  }
}

/** Takes back what a restoring that did not end has put in. */
async function takeBack({ write }: Database, restore: string): Promise<void> {
  await write(async ({ sql }) => {
    const mine = 'SELECT owner, id FROM restoring WHERE restore = ? AND kind = ?';
    for (const kind of ['log_entries', 'pictures', 'practice_answers'] as const)
      await sql(`DELETE FROM ${kind} WHERE (${COLUMNS[kind][0]}, id) IN (${mine})`, [restore, kind]);
    for (const kind of ['people', 'trains'])
      await sql(`DELETE FROM ${kind} WHERE id IN (SELECT owner FROM restoring WHERE restore = ? AND kind = ?)`, [
        restore,
        kind,
      ]);
    await sql('DELETE FROM restoring WHERE restore = ?', [restore]);
  });
}

/** None takes so long. */
const BROKEN_OFF_MS = 3_600_000;

/** Takes back what was left by restorings that broke off with their server. */
export async function takeBackBrokenOff(database: Database, now: Date): Promise<void> {
  const before = sqlTime(new Date(now.getTime() - BROKEN_OFF_MS));
  const left = await database.sql<{ restore: string }>('SELECT DISTINCT restore FROM restoring WHERE at < ?', [before]);
  for (const { restore } of left) await takeBack(database, restore);
}
