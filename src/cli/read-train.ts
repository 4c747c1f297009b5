import { MAX_TRAIN_BYTES, parseTrain, problemText, type Train } from '@/core/train';
import { UsageError } from './options';
import { readText } from './read-text';
import { itemAt } from '@/core/required';

/** A train's document out of its file. @throws UsageError with the first thing that is wrong with it. */
export function readTrainFile(file: string): Train {
  const text = readText(file, MAX_TRAIN_BYTES * 4, 'a train');
  const parsed = parseTrain(text);
  if (parsed.ok) return parsed.train;
  const more = parsed.problems.length > 1 ? ` (and ${parsed.problems.length - 1} more)` : '';
  throw new UsageError(`${file}: ${problemText(itemAt(parsed.problems, 0))}${more}`);
}
