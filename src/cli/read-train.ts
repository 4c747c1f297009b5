import { MAX_TRAIN_BYTES, parseTrain, problemText, type Train } from '@/core/train';
import { UsageError } from './options';
import { readText } from './read-text';

/**
 * A train's document out of its file.
 * @throws UsageError with the first thing that is wrong with it, or with everything
 */
export function readTrainFile(file: string, { everything = false } = {}): Train {
  const text = readText(file, MAX_TRAIN_BYTES * 4, 'a train');
  const parsed = parseTrain(text);
  if (parsed.ok) return parsed.train;
  const [first, ...others] = parsed.problems.map(problemText);
  if (everything) throw new UsageError(`${file}: ${first}`, others);
  throw new UsageError(`${file}: ${first}${others.length > 0 ? ` (and ${others.length} more)` : ''}`);
}
