import { readdir, readFile } from 'node:fs/promises';
import { join } from 'node:path';
import { problemText, serialiseTrain } from '@/core/train';
import { readWritten } from '@/core/written-form';
import { checkDocument } from '../heavy/jobs';
import { itemAt } from '@/core/required';

/** A train that ships with the application. */
export interface Example {
  readonly id: string;
  readonly name: string;
  /** As it is kept. */
  readonly document: string;
}

/** Where the trains that ship with the application are. */
export const exampleFolder = (): string => join(/* turbopackIgnore: true */ process.cwd(), 'demo');

/**
 * The trains that shelf.json in a folder lists, in its order, each a document or in writing; all of them or an error.
 */
export async function readExamples(folder: string): Promise<Example[]> {
  const shelf = JSON.parse(await readFile(join(folder, 'shelf.json'), 'utf8')) as string[];
  const files = new Set(await readdir(join(folder, 'trains')));
  return Promise.all(
    shelf.map(async (id) => {
      const file = [`${id}.train.json`, `${id}.train.txt`].find((one) => files.has(one));
      if (file === undefined)
        throw new Error(`demo/shelf.json names ${id}, but demo/trains/${id}.train.json is missing.`);
      const text = await readFile(join(folder, 'trains', file), 'utf8');
      return { id, ...(file.endsWith('.txt') ? fromWriting(file, text) : fromDocument(file, text)) };
    }),
  );
}

function fromDocument(file: string, text: string): Omit<Example, 'id'> {
  const checked = checkDocument(JSON.parse(text));
  if (!checked.ok) throw new Error(`demo/trains/${file}: ${problemText(itemAt(checked.problems, 0))}`);
  return { name: checked.name, document: checked.document };
}

function fromWriting(file: string, text: string): Omit<Example, 'id'> {
  const { train, problems } = readWritten(text);
  if (train) return { name: train.name, document: serialiseTrain(train) };
  const { place, message } = itemAt(problems, 0);
  throw new Error(`demo/trains/${file}, line ${place.line}: ${message}`);
}
