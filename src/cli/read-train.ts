import { MAX_TRAIN_BYTES, parseTrain, problemText, type Train } from '@/core/train';
import { isWritten, readWritten, type WrittenProblem } from '@/core/written-form';
import { UsageError } from './options';
import { readText } from './read-text';

/** A train out of its file, as a document or in writing. */
export interface TrainFile {
  readonly train: Train;
  /** Of a train in writing: what may still be a slip, each with its line. */
  readonly hints: readonly string[];
}

/**
 * A train's document out of its file, or out of what is written in it.
 * @throws UsageError with the first thing that is wrong with it, or with everything
 */
export function openTrainFile(file: string, { everything = false } = {}): TrainFile {
  const text = readText(file, MAX_TRAIN_BYTES * 4, 'a train');
  if (isWritten(file, text)) {
    const { train, problems, hints } = readWritten(text);
    const at = ({ place: { line, column }, message }: WrittenProblem) => `${file}:${line}:${column}: ${message}`;
    if (train) return { train, hints: hints.map(at) };
    throw refused(problems.map(at), everything);
  }
  const parsed = parseTrain(text);
  if (parsed.ok) return { train: parsed.train, hints: parsed.told.map(problemText) };
  const [first = '', ...others] = parsed.problems.map(problemText);
  throw refused([`${file}: ${first}`, ...others], everything);
}

/** The train of a file alone. @throws UsageError as openTrainFile does */
export const readTrainFile = (file: string): Train => openTrainFile(file).train;

function refused([first = '', ...others]: readonly string[], everything: boolean): UsageError {
  if (everything) return new UsageError(first, others);
  return new UsageError(`${first}${others.length > 0 ? ` (and ${others.length} more)` : ''}`);
}
