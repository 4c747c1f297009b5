import { checkTrain, problemText, type Train } from '@/core/train';

/** A train of these parts, read as a document is. @throws Error with every problem */
export function checkedTrain(parts: object): Train {
  const read = checkTrain({ format: 'tin-wheel/train', version: 1, ...parts });
  if (!read.ok) throw new Error(read.problems.map(problemText).join('\n'));
  return read.train;
}
