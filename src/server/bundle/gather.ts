import { rmSync } from 'node:fs';
import sqlite3 from 'sqlite3';
import { keptId, keptName, personName, stateName } from '@/wire/kept-names';
import { all, close, open, type Value } from '../database/plain-file';
import { keptTime, type KeptDocument } from '../kept-row';
import { BUNDLE_LIMITS, BundleError, megabytes, type BundleLimits } from './limits';
import {
  answersOf,
  fileNameOf,
  logsIn,
  MANIFEST,
  manifestOf,
  pictureOf,
  type BundledTrain,
  type Manifest,
} from './manifest';
import {
  isPicture,
  keptAnswer,
  keptEntry,
  wrongInScenario,
  wrongInSearch,
  wrongInTrain,
  wrongInWorksheet,
} from '../wrong';
import { ZipWriter } from './zip-writer';

/** What a bundle came to. */
export interface GatheredBundle {
  readonly files: number;
  /** How many of them do not read, and are in it as they are. */
  readonly unreadable: number;
}

/**
 * Writes trains with everything beside them into a zip, as they are at one moment; of everything there is, worksheets
 * and who practises too. What does not read is taken along as it is.
 * @param database the file of the database
 * @throws BundleError where a train is not there, or all is more than a bundle can hold; then no file is left
 */
export async function writeBundle(
  database: string,
  ids: readonly string[] | 'everything',
  path: string,
  limits: BundleLimits = BUNDLE_LIMITS,
): Promise<GatheredBundle> {
  const connection = await open(database, sqlite3.OPEN_READONLY);
  const zip = new ZipWriter(path, limits);
  try {
    const rows = <Row>(statement: string, values?: readonly Value[]) => all<Row>(connection, statement, values);
    await rows('PRAGMA busy_timeout = 5000');
    // One moment for all of it, whatever is saved meanwhile.
    await rows('BEGIN');
    const gathering = new Gathering(rows, zip, PIECE_SHARE * limits.file);
    const trains = await gathering.trains(ids);
    const rest = ids === 'everything' ? await gathering.practice() : { worksheets: [], people: [] };
    const { unreadable } = gathering;
    zip.add(MANIFEST, manifestOf({ trains, ...rest }, gathering, zip.sums));
    zip.finish();
    return { files: Object.keys(zip.sums).length, unreadable: unreadable.length + gathering.unreadableRows };
  } catch (error) {
    zip.giveUp();
    rmSync(path, { force: true });
    if (!(error instanceof BundleError)) throw error;
    throw new BundleError(`${error.message}${zip.isFull ? await largest(connection, ids) : ''}`);
  } finally {
    await close(connection);
  }
}

/** What to leave out, where all is too much. */
async function largest(connection: sqlite3.Database, ids: readonly string[] | 'everything'): Promise<string> {
  const rows = await all<{ id: string; name: string; bytes: number }>(
    connection,
    `SELECT id, name, length(document)
      + coalesce((SELECT sum(length(document)) FROM revisions WHERE train_id = trains.id), 0)
      + coalesce((SELECT sum(length(document)) FROM log_entries WHERE train_id = trains.id), 0)
      + coalesce((SELECT sum(length(bytes)) FROM pictures WHERE train_id = trains.id), 0) AS bytes
      FROM trains WHERE deleted_at IS NULL ORDER BY bytes DESC`,
  );
  const own = rows.filter(({ id }) => ids === 'everything' || ids.includes(id)).slice(0, 3);
  const told = own.map(({ name, bytes }) => `“${name}” (${megabytes(bytes)})`).join(', ');
  return own.length > 1 ? ` Take fewer trains into one; the largest are ${told}.` : ` The train is ${told}.`;
}

type Rows = <Row>(statement: string, values?: readonly Value[]) => Promise<Row[]>;

/** Entries of a log are read so many at a time, and put into files of such a share of what one may have. */
const PAGE = 1000;
const PIECE_SHARE = 0.8;

interface NamedRow {
  readonly id: Value;
  readonly name: Value;
  readonly document: Value;
  readonly saved_at: Value;
}

/** Puts what a database has into a zip. */
class Gathering {
  /** Files that do not read. */
  readonly unreadable: string[] = [];
  /** Entries and answers that do not read, inside of files that do. */
  unreadableRows = 0;

  constructor(
    private readonly rows: Rows,
    private readonly zip: ZipWriter,
    private readonly pieceLetters: number,
  ) {}

  async trains(ids: readonly string[] | 'everything'): Promise<BundledTrain[]> {
    const wanted =
      ids === 'everything'
        ? (await this.rows<{ id: string }>('SELECT id FROM trains WHERE deleted_at IS NULL ORDER BY id')).map(
            ({ id }) => id,
          )
        : [...new Set(ids)].sort();
    const trains: BundledTrain[] = [];
    for (const id of wanted) trains.push(await this.train(id));
    return trains;
  }

  private async train(id: string): Promise<BundledTrain> {
    const [row] = await this.rows<NamedRow & { version: Value; created_at: Value; updated_at: Value }>(
      'SELECT id, name, document, version, created_at, updated_at FROM trains WHERE id = ? AND deleted_at IS NULL',
      [id],
    );
    if (!row) throw new BundleError(`There is no train “${id.slice(0, 80)}” on the shelf.`);
    const folder = `trains/${fileNameOf(id)}`;
    this.put(`${folder}/train.json`, textOf(row.document), wrongInTrain);
    const train = {
      id: fileNameOf(id),
      name: textOf(row.name).slice(0, 255),
      folder,
      version: countOf(row.version),
      createdAt: timeOf(row.created_at),
      updatedAt: timeOf(row.updated_at),
      revisions: await this.revisions(id, folder),
      searches: await this.beside('searches', id, folder, wrongInSearch),
      scenarios: await this.beside('scenarios', id, folder, wrongInScenario),
    };
    await this.log(id, folder);
    return { ...train, pictures: await this.pictures(id, folder) };
  }

  private async revisions(id: string, folder: string): Promise<BundledTrain['revisions']> {
    const states = await this.rows<{ version: number; name: Value; saved_at: Value }>(
      'SELECT version, name, saved_at FROM revisions WHERE train_id = ? ORDER BY version',
      [id],
    );
    for (const { version } of states) {
      const [row] = await this.rows<{ document: Value }>(
        'SELECT document FROM revisions WHERE train_id = ? AND version = ?',
        [id, version],
      );
      this.put(`${folder}/revisions/${version}.json`, textOf(row?.document), wrongInTrain);
    }
    return states.map(({ version, name, saved_at: at }) => ({
      version,
      name: name === null ? null : named(stateName, textOf(name), ''),
      savedAt: timeOf(at),
    }));
  }

  private async beside(
    table: 'searches' | 'scenarios',
    id: string,
    folder: string,
    wrong: (text: string) => string | null,
  ): Promise<BundledTrain['searches']> {
    const rows = await this.rows<NamedRow>(
      `SELECT id, name, document, saved_at FROM ${table} WHERE train_id = ? ORDER BY id`,
      [id],
    );
    return rows.map((row) => {
      const kept = keptRow(row);
      this.put(`${folder}/${table}/${kept.id}.json`, textOf(row.document), wrong);
      return kept;
    });
  }

  private async log(id: string, folder: string): Promise<void> {
    const entries = this.inPages<{ id: Value; kind: Value; document: Value; saved_at: Value }>(
      'SELECT id, kind, document, saved_at FROM log_entries WHERE train_id = ? ORDER BY place, id',
      id,
    );
    await this.list(
      (piece) => logsIn(folder, piece),
      entries,
      ({ id: own, kind, document, saved_at: at }) => {
        const text = textOf(document);
        const head = { id: rowIdOf(own), kind: textOf(kind).slice(0, 64), savedAt: timeOf(at) };
        return { ...head, ...this.documentOr(text, keptEntry(head.kind, text), 'document') };
      },
    );
  }

  private async pictures(id: string, folder: string): Promise<BundledTrain['pictures']> {
    const kept = await this.rows<{ id: Value; type: Value; saved_at: Value }>(
      'SELECT id, type, saved_at FROM pictures WHERE train_id = ? ORDER BY id',
      [id],
    );
    const pictures: BundledTrain['pictures'] = [];
    for (const { id: own, type, saved_at: at } of kept) {
      const [row] = await this.rows<{ bytes: Value }>('SELECT bytes FROM pictures WHERE train_id = ? AND id = ?', [
        id,
        own,
      ]);
      const bytes = Buffer.isBuffer(row?.bytes) ? row.bytes : Buffer.from(textOf(row?.bytes));
      const picture = { id: fileNameOf(textOf(own)), type: textOf(type).slice(0, 64), savedAt: timeOf(at) };
      const path = pictureOf(folder, picture);
      if (!isPicture(picture.type, bytes)) this.unreadable.push(path);
      this.zip.add(path, bytes);
      pictures.push(picture);
    }
    return pictures;
  }

  /** Worksheets, and who practises with what they answered. */
  async practice(): Promise<Pick<Manifest, 'worksheets' | 'people'>> {
    const sheets = await this.rows<NamedRow>('SELECT id, name, document, saved_at FROM worksheets ORDER BY id');
    const worksheets = sheets.map((row) => {
      const kept = keptRow(row);
      this.put(`worksheets/${kept.id}.json`, textOf(row.document), wrongInWorksheet);
      return kept;
    });
    const people = await this.rows<Omit<NamedRow, 'document'>>('SELECT id, name, saved_at FROM people ORDER BY id');
    for (const { id } of people) {
      const answers = this.inPages<{ id: Value; document: Value; saved_at: Value }>(
        'SELECT id, document, saved_at FROM practice_answers WHERE person_id = ? ORDER BY place, id',
        textOf(id),
      );
      await this.list(
        (piece) => answersOf(rowIdOf(id), piece),
        answers,
        ({ id: own, document, saved_at: at }) => {
          const text = textOf(document);
          return { id: rowIdOf(own), savedAt: timeOf(at), ...this.documentOr(text, keptAnswer(text), 'answer') };
        },
        true,
      );
    }
    return {
      worksheets,
      people: people.map(({ id, name, saved_at: at }) => ({
        id: rowIdOf(id),
        name: named(personName, textOf(name), 'unnamed'),
        savedAt: timeOf(at),
      })),
    };
  }

  private put(path: string, text: string, wrong: (text: string) => string | null): void {
    if (wrong(text) !== null) this.unreadable.push(path);
    this.zip.add(path, Buffer.from(text));
  }

  private documentOr(text: string, kept: KeptDocument, key: 'document' | 'answer'): object {
    if ('document' in kept) return { [key]: kept.document };
    this.unreadableRows++;
    return { text };
  }

  private async *inPages<Row>(statement: string, owner: string): AsyncGenerator<Row> {
    for (let from = 0; ; from += PAGE) {
      const page = await this.rows<Row>(`${statement} LIMIT ${PAGE} OFFSET ${from}`, [owner]);
      yield* page;
      if (page.length < PAGE) return;
    }
  }

  /** A list as files that are not too large; none for an empty one, unless there is to be one. */
  private async list<Row>(
    pathOf: (piece: number) => string,
    rows: AsyncIterable<Row>,
    asJson: (row: Row) => object,
    always = false,
  ): Promise<void> {
    let [lines, letters, piece]: [string[], number, number] = [[], 0, 0];
    const flush = () => {
      this.zip.add(pathOf(piece++), Buffer.from(`[${lines.join(',\n')}]\n`));
      [lines, letters] = [[], 0];
    };
    for await (const row of rows) {
      const line = JSON.stringify(asJson(row));
      if (letters > 0 && letters + line.length > this.pieceLetters) flush();
      lines.push(line);
      letters += line.length;
    }
    if (lines.length > 0 || (always && piece === 0)) flush();
  }
}

/** What a column holds as text, whatever was put there. */
const textOf = (value: Value | undefined): string =>
  typeof value === 'string' ? value : Buffer.isBuffer(value) ? value.toString('utf8') : String(value ?? '');

const timeOf = (value: Value): string => keptTime(textOf(value));
const countOf = (value: Value): number =>
  typeof value === 'number' && Number.isInteger(value) && value > 0 ? value : 1;

/** An id as it may be in a bundle; one that may not is told by its digest. */
const rowIdOf = (value: Value): string => {
  const id = textOf(value);
  return keptId.safeParse(id).success ? id : fileNameOf(id);
};

const keptRow = ({ id, name, saved_at: at }: NamedRow) => ({
  id: fileNameOf(textOf(id)),
  name: named(keptName, textOf(name), 'unnamed'),
  savedAt: timeOf(at),
});

/** A name as it may be in a bundle: cut where it is too long, blank where it has what cannot be seen. */
function named(rule: typeof keptName, name: string, otherwise: string): string {
  const repaired = name
    .replace(/[\u0000-\u001f\u007f]/g, ' ')
    .trim()
    .slice(0, 60);
  for (const tried of [name, repaired]) {
    const parsed = rule.safeParse(tried);
    if (parsed.success) return parsed.data;
  }
  return otherwise;
}
