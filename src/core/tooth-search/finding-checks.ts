import { checkDesign } from '../checks';
import type { Train } from '../train';
import type { SearchResult } from './findings';
import type { SearchQuestion } from './question';
import { trainOfFinding } from './train-of-finding';

/**
 * What the checks say about a finding as a train, what is wrong first; of a fit what they did not say of the open train
 * already.
 */
export function checksOf(question: SearchQuestion, finding: SearchResult, open: Train | null): readonly string[] {
  const made = trainOfFinding(question, finding, 'found', open);
  if (!made.ok) return [made.message];
  const before = new Set(question.kind === 'fit' && open ? checkDesign(open).map(({ key }) => key) : []);
  return checkDesign(made.train)
    .filter(({ key }) => !before.has(key))
    .map(({ what }) => what);
}
