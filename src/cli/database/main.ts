import { refusalText } from '@/core/result';
import { accessSync, constants, renameSync, statSync } from 'node:fs';
import { join } from 'node:path';
import {
  ARCHIVE_JOBS,
  BundleError,
  CHOICES,
  inTemporaryFolder,
  restoreBundle,
  type RestoreChoice,
  type Plan,
  type There,
} from '@/server/bundle';
import { databaseFile, openDatabase, StartupError, type Database } from '@/server/database';
import { backup, safeMessage } from '@/server/safe/backup';
import { restore } from '@/server/safe/restore';
import { parseArguments } from '../arguments';
import { UsageError } from '../usage-error';
import { said } from '../said';
import { required } from '@/core/required';

/** The verbs that work on the database; its file is the one that the server uses (TINWHEEL_DB). */
const VERBS: Readonly<Record<string, (argv: readonly string[]) => Promise<string>>> = {
  async bundle(argv) {
    const { values, positionals } = parseArguments(argv, {
      output: { type: 'string', short: 'o' },
      everything: { type: 'boolean' },
    });
    if (typeof values.output !== 'string') throw new UsageError('name the zip that is to be written with -o.');
    if (positionals.length > 0 === (values.everything === true))
      throw new UsageError('name the trains by their ids, or say --everything.');
    const output = values.output;
    return withDatabase(async (database) => {
      const part = `${output}.${process.pid}.part`;
      const gathered = await ARCHIVE_JOBS.bundle(database.file, values.everything ? 'everything' : positionals, part);
      if (!gathered.ok) throw new UsageError(refusalText(gathered));
      const { size } = statSync(part);
      renameSync(part, output);
      const { files, unreadable } = gathered.value;
      const asTheyAre =
        unreadable > 0 ? ` ${unreadable} of what is in it cannot be read, and is taken along as it is.` : '';
      return `${output}: ${files} files, ${size} bytes.${asTheyAre}\n`;
    });
  },

  async unbundle(argv) {
    const { values, positionals } = parseArguments(argv, {
      existing: { type: 'string' },
      'dry-run': { type: 'boolean' },
    });
    const [file, ...extra] = positionals;
    if (file === undefined || extra.length > 0) throw new UsageError('name one zip.');
    const existing = (values.existing ?? 'skip') as RestoreChoice;
    if (!CHOICES.includes(existing)) throw new UsageError('--existing is skip, both or replace.');
    readableOrThrow(file);
    const bring = async (database: Database, folder: string) => {
      const stagingFile = join(folder, 'staged.sqlite');
      const plan = await ARCHIVE_JOBS.unbundle(database.file, file, stagingFile);
      if (!plan.ok) throw new UsageError(`${file}: ${refusalText(plan)}`);
      const lines = linesOf(plan.value);
      if (values['dry-run']) return [...lines, 'Nothing was changed.'].map((line) => `${line}\n`).join('');
      const { added, replaced, skipped, merged, renamed } = await restoreBundle(database, stagingFile, () => existing);
      const done = [
        ['added', added],
        ['replaced', replaced],
        ['left as they are, with new log entries', merged],
        ['skipped, for they are there already', skipped],
        ['answers under another name', renamed.map(({ from, to }) => `${from} is “${to}” here`)],
      ] as const;
      const told = done.flatMap(([what, names]) => (names.length > 0 ? [`${what}: ${names.join(', ')}`] : []));
      return [...lines, ...told].map((line) => `${line}\n`).join('');
    };
    return withDatabase((database) => inTemporaryFolder(database.file, (folder) => bring(database, folder)));
  },

  async backup(argv) {
    const [destination, ...extra] = parseArguments(argv, {}).positionals;
    if (destination === undefined || extra.length > 0) throw new UsageError('name one file for the copy.');
    await backup(databaseFile(), destination);
    return `${destination}: a whole copy of ${databaseFile()}.\n`;
  },

  async restore(argv) {
    const [source, ...extra] = parseArguments(argv, {}).positionals;
    if (source === undefined || extra.length > 0) throw new UsageError('name one copy.');
    const aside = await restore(source, databaseFile());
    return `${databaseFile()}: as ${source} has it.${aside ? ` What was there is kept as ${aside}.` : ''}\n`;
  },
};

const linesOf = ({ trains }: Plan): string[] =>
  trains.map(
    ({ name, revisions, readings, unreadable, there }) =>
      `${name}: ${revisions} revisions, ${readings} log ` +
      `entries${unreadable > 0 ? `, ${unreadable} of them cannot be read` : ''}${there ? standing(there) : ''}`,
  );

/** How it stands with a train that is there already. */
function standing({ same, inBin, newEntries }: There): string {
  if (inBin) return ', was taken off the shelf: --existing replace puts it back';
  if (same) return ', stands on the shelf as it is here';
  const grown = newEntries > 0 ? `, without ${newEntries} of these log entries` : '';
  return `, stands on the shelf otherwise${grown}`;
}

function readableOrThrow(file: string): void {
  try {
    accessSync(file, constants.R_OK);
  } catch (error) {
    throw new UsageError(`"${file}" cannot be read (${(error as NodeJS.ErrnoException).code ?? 'unknown'}).`);
  }
}

async function withDatabase(work: (database: Database) => Promise<string>): Promise<string> {
  const database = await openDatabase(databaseFile());
  try {
    return await work(database);
  } finally {
    await database.close();
  }
}

const [verb = '', ...rest] = process.argv.slice(2);
void said(
  () => required(VERBS[verb])(rest),
  (error) => (error instanceof StartupError || error instanceof BundleError ? error.message : safeMessage(error)),
);
