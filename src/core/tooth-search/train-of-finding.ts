import type { Edit, Train } from '../train';
import { fitsBetweenShafts } from './arranged';
import { chainTrain, dialsTrain, ladderTrain, planetaryTrain, withTeeth } from './as-train';
import { resultNames, type SearchResult } from './findings';
import type { SetQuestion } from './planetary';
import type { SearchQuestion } from './question';
import { required } from '../required';

/** A finding as a train of its own, or, of a fit, as the open train with other counts. */
export function trainOfFinding(
  question: SearchQuestion,
  { made }: Pick<SearchResult, 'made'>,
  name: string,
  open: Train | null,
): Edit {
  const making = { name, module: question.module };
  switch (made.kind) {
    case 'chain':
      return question.kind === 'chains'
        ? chainTrain(making, required(fitsBetweenShafts(question, made.chain)), question.question.equalCentres)
        : WRONG_KIND;
    case 'sets': {
      if (question.kind !== 'planetary') return WRONG_KIND;
      const { behind } = question.question;
      const asked: readonly SetQuestion[] = [question.question, ...(behind ? [behind] : [])];
      return planetaryTrain(making, made.sets, asked);
    }
    case 'pairs':
      return ladderTrain(making, made.pairs, resultNames(made.pairs.length, question.kind === 'ranges'));
    case 'dials':
      return dialsTrain(making, made.dials, question.kind === 'outputs' && question.question.coaxial === true);
    case 'teeth':
      return open ? withTeeth(open, made.teeth) : WRONG_KIND;
  }
}

const WRONG_KIND: Edit = { ok: false, message: 'This was found for another question: search again.' };
