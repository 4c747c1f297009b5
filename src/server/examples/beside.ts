import { readdir, readFile } from 'node:fs/promises';
import { join } from 'node:path';
import { required } from '@/core/required';
import { capitalised } from '@/core/capitalised';

/** A document that ships beside a train, or a worksheet by itself. */
export interface ExampleBeside {
  /** Null for worksheets, which are about several. */
  readonly train: string | null;
  readonly id: string;
  readonly name: string;
  readonly document: string;
}

/**
 * What ships besides the trains themselves, as open files: `TRAIN.SLUG.scenario.json` and the like; a log is its
 * entries.
 */
export interface ExamplesBeside {
  readonly scenarios: readonly ExampleBeside[];
  readonly searches: readonly ExampleBeside[];
  readonly worksheets: readonly ExampleBeside[];
  readonly readings: readonly ExampleBeside[];
}

/** Reads what stands beside the trains in a folder; none where there is none. */
export async function readExamplesBeside(folder: string): Promise<ExamplesBeside> {
  const filesIn = async (kind: string, ending: string) => {
    const names = await readdir(join(folder, kind)).catch(() => []);
    const own = names.filter((name) => name.endsWith(ending)).sort();
    return Promise.all(
      own.map(async (file) => {
        const json = JSON.parse(await readFile(join(folder, kind, file), 'utf8')) as { readonly name?: string };
        return { steps: file.slice(0, -ending.length).split('.'), json };
      }),
    );
  };
  const beside = async (kind: string, ending: string): Promise<readonly ExampleBeside[]> =>
    (await filesIn(kind, ending)).map(({ steps: [train, slug = 'example'], json }) => ({
      train: required(train),
      id: slug,
      name: json.name ?? words(slug),
      document: JSON.stringify(json),
    }));
  const logs = await filesIn('logs', '.log.json');
  return {
    scenarios: await beside('scenarios', '.scenario.json'),
    searches: await beside('searches', '.search.json'),
    worksheets: (await filesIn('worksheets', '.worksheet.json')).map(({ steps: [slug], json }) => ({
      train: null,
      id: required(slug),
      name: json.name ?? words(required(slug)),
      document: JSON.stringify(json),
    })),
    readings: logs.flatMap(({ steps: [train], json }) =>
      (json as unknown as { readonly readings: readonly { readonly id: string }[] }).readings.map((reading) => ({
        train: required(train),
        id: reading.id,
        name: 'reading',
        document: JSON.stringify(reading),
      })),
    ),
  };
}

/** "month-from-tide" as "Month from tide". */
const words = (slug: string): string => capitalised(slug).replaceAll('-', ' ');
