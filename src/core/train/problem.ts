import { problemLine, type Problem } from '../result';

export type { Problem };

/** "gears[2].teeth: A tooth count must be a whole number."; the document itself is "train". */
export const problemText = (problem: Problem): string => problemLine(problem, 'train');
