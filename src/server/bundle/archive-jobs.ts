import { accept, refuse, type Result } from '@/core/result';
import { writeBundle, type GatheredBundle } from './gather';
import { BundleError } from './limits';
import { planRestore, type Plan } from './plan';
import { stageBundle } from './stage';

/** What reads much of the database or large files, and so is done in a process of its own: from paths to few words. */
export const ARCHIVE_JOBS = {
  /** Writes a bundle of trains, or of everything, to a path. */
  bundle: (database: string, ids: readonly string[] | 'everything', path: string): Promise<Result<GatheredBundle>> =>
    answer(() => writeBundle(database, ids, path)),

  /** Reads a bundle into a staging file, and says what it would bring. */
  unbundle: (database: string, path: string, stagingFile: string): Promise<Result<Plan>> =>
    answer(async () => planRestore(database, await stageBundle(path, stagingFile), stagingFile)),
};

async function answer<T>(work: () => Promise<T>): Promise<Result<T>> {
  try {
    return accept(await work());
  } catch (error) {
    if (error instanceof BundleError) return refuse(error.message);
    throw error;
  }
}
