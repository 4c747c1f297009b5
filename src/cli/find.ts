import { existsSync } from 'node:fs';
import { dirname, join } from 'node:path';
import { toFraction } from '@/core/rational';
import { readSearch, search, type SearchResult, type SearchQuestion } from '@/core/tooth-search';
import type { Train } from '@/core/train';
import { UsageError } from './options';
import { readText } from './read-text';
import { readTrainFile } from './read-train';
import { itemAt, required } from '@/core/required';
import { refusalText } from '@/core/result';

const MOST_BYTES = 1_000_000;

/** A search file answered as JSON: best first; ratios exact, errors |ratio/target − 1|. @throws UsageError */
export function findJson(file: string): unknown {
  const read = readSearch(readText(file, MOST_BYTES, 'a search'));
  if (!read.ok) throw new UsageError(`${file}: ${refusalText(read)}`);
  const question = read.value;
  const train = question.kind === 'fit' ? trainOfFit(file, question) : null;
  try {
    const start = performance.now();
    const { findings, proven, examined, cut, why } = search(question, train, {
      elapsedMs: () => performance.now() - start,
    });
    if (why !== null && !cut && isBadInput(question, findings)) throw new UsageError(`${file}: ${why}`);
    return {
      proven,
      examined,
      ...(cut && { cut: `The ${question.timeS} s that were allowed are over: best found.` }),
      results: findings.map(asJson),
      ...(why !== null && !cut && { why }),
    };
  } catch (error) {
    if (error instanceof RangeError) throw new UsageError(`${file}: ${error.message}`);
    throw error;
  }
}

/**
 * Nothing can be found for it: a stock that does not reach the target, or conditions that exclude each other; a largest
 * error that nothing meets is an answer.
 */
const isBadInput = (question: SearchQuestion, findings: readonly SearchResult[]): boolean =>
  question.kind === 'chains' &&
  (findings.length === 0 ? question.question.maxError === null : question.stock && itemAt(findings, 0).error > FAR);

/** So far off, the stock does not reach the target's size. */
const FAR = 0.1;

function asJson({ made, ratios, error, centres }: SearchResult): unknown {
  const [first] = ratios;
  switch (made.kind) {
    case 'chain':
      return { pairs: made.chain, ratio: toFraction(required(first).ratio), error };
    case 'sets': {
      const sets = made.sets.map(({ angles, ...set }) => ({
        ...set,
        ...(angles && { angles: angles.map(toFraction) }),
      }));
      return { ...(sets.length === 1 ? sets[0] : { sets }), ratio: toFraction(required(first).ratio), error };
    }
    case 'pairs':
      return { sum: 2 * itemAt(centres, 0), pairs: made.pairs, worst: error };
    case 'dials':
      return {
        outputs: made.dials.taps.map(({ name, chain, ratio, error: off }) => ({
          name,
          pairs: chain,
          ratio: toFraction(ratio),
          error: off,
        })),
        worst: made.dials.worst,
        total: made.dials.total,
      };
    case 'teeth':
      return {
        teeth: Object.fromEntries(made.teeth),
        ratios: Object.fromEntries(ratios.map(({ id, ratio }) => [id, toFraction(ratio)])),
        worst: error,
      };
  }
}

/** The train's file is looked for beside the search, then where the command is given. */
function trainOfFit(searchFile: string, { file, question }: Extract<SearchQuestion, { kind: 'fit' }>): Train {
  if (file === undefined) throw new UsageError(`${searchFile}: fit.train: name the file of the train.`);
  const beside = join(dirname(searchFile), file);
  const train = readTrainFile(existsSync(beside) ? beside : file);
  for (const id of question.free.keys())
    if (!train.gears.some((gear) => gear.id === id))
      throw new UsageError(`${searchFile}: fit.free: ${file} has no gear "${id}".`);
  for (const id of question.targets.keys())
    if (!train.positions.some((position) => position.id === id))
      throw new UsageError(`${searchFile}: fit.targets: ${file} has no position "${id}".`);
  return train;
}
