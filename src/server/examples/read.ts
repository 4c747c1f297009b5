import { readdir, readFile } from 'node:fs/promises';
import { join } from 'node:path';
import { problemText } from '@/core/train';
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

/** The trains that shelf.json in a folder lists, in its order; all of them or an error. */
export async function readExamples(folder: string): Promise<Example[]> {
  const shelf = JSON.parse(await readFile(join(folder, 'shelf.json'), 'utf8')) as string[];
  const files = new Set(await readdir(join(folder, 'trains')));
  return Promise.all(
    shelf.map(async (id) => {
      const file = `${id}.train.json`;
      if (!files.has(file)) throw new Error(`demo/shelf.json names ${id}, but demo/trains/${file} is missing.`);
      const checked = checkDocument(JSON.parse(await readFile(join(folder, 'trains', file), 'utf8')));
      if (!checked.ok) throw new Error(`demo/trains/${file}: ${problemText(itemAt(checked.problems, 0))}`);
      return { id, name: checked.name, document: checked.document };
    }),
  );
}
