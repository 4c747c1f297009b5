import { existsSync } from 'node:fs';
import { dirname, join } from 'node:path';
import { toFraction } from '@/core/rational';
import {
  errorOf,
  readSearch,
  searchFit,
  searchLadders,
  searchManyStages,
  searchPlanetary,
  type WrittenFit,
} from '@/core/tooth-search';
import { UsageError } from './options';
import { readText } from './read-text';
import { readTrain } from './read-train';

const MOST_BYTES = 1_000_000;

/** A search file answered as JSON: best first; ratios exact, errors |ratio/target − 1|. @throws UsageError */
export function findJson(file: string): unknown {
  const read = readSearch(readText(file, MOST_BYTES, 'a search'));
  if (!read.ok) throw new UsageError(`${file}: ${read.message}`);
  const { value } = read;
  switch (value.kind) {
    case 'chains': {
      const { results, proven, examined } = searchManyStages(value.stages, value.question);
      return {
        proven,
        examined,
        results: results.map(({ ratio, made }) => ({
          pairs: made,
          ratio: toFraction(ratio),
          error: errorOf(ratio, value.question.target),
        })),
      };
    }
    case 'planetary': {
      const { results, proven, examined } = searchPlanetary(value.question);
      return {
        proven,
        examined,
        results: results.map(({ made, ratio, size }) => ({
          ...made,
          ratio: toFraction(ratio),
          error: errorOf(size, value.question.target),
        })),
      };
    }
    case 'ladder':
      return searchLadders(value.question);
    case 'fit':
      return fitJson(file, value.question);
  }
}

/** The train's file is looked for beside the search, then where the command is given. */
function fitJson(search: string, { file, free, targets, ...rest }: WrittenFit): unknown {
  const beside = join(dirname(search), file);
  const train = readTrain(existsSync(beside) ? beside : file);
  for (const id of free.keys())
    if (!train.gears.some((gear) => gear.id === id))
      throw new UsageError(`${search}: fit.free: ${file} has no gear "${id}".`);
  for (const id of targets.keys())
    if (!train.positions.some((position) => position.id === id))
      throw new UsageError(`${search}: fit.targets: ${file} has no position "${id}".`);
  try {
    const { results, proven, examined } = searchFit({ train, free, targets, ...rest });
    return {
      proven,
      examined,
      results: results.map(({ teeth, ratios, worst }) => ({
        teeth: Object.fromEntries(teeth),
        ratios: Object.fromEntries([...ratios].map(([id, ratio]) => [id, toFraction(ratio)])),
        worst,
      })),
    };
  } catch (error) {
    if (error instanceof RangeError) throw new UsageError(`${search}: ${error.message}`);
    throw error;
  }
}
