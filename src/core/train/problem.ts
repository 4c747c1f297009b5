import type { Problem } from '../result';

export type { Problem };

/** "gears[2].teeth"; the document itself is "train". */
export function pathText(path: Problem['path']): string {
  if (path.length === 0) return 'train';
  return path.map((step, i) => (typeof step === 'number' ? `[${step}]` : i === 0 ? step : `.${step}`)).join('');
}

/** "gears[2].teeth: A tooth count must be a whole number." — one line, whatever the document holds. */
export const problemText = ({ path, message }: Problem): string => oneLine(`${pathText(path)}: ${message}`);

/** What a schema found first in a file that is kept beside trains, with its place in it, in one line. */
export function issueText({ path, message, ...issue }: Issue): string {
  const says =
    issue.code === 'unrecognized_keys' ? `There is no such field: ${(issue.keys ?? []).join(', ')}.` : message;
  return oneLine(path.length > 0 ? `${pathText(path as Problem['path'])}: ${says}` : says);
}

interface Issue {
  readonly code: string;
  readonly path: readonly PropertyKey[];
  readonly message: string;
  readonly keys?: readonly string[];
}

const oneLine = (text: string): string => text.replace(/[\u0000-\u001f\u007f-\u009f\u2028\u2029]+/g, ' ');
