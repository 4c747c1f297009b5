import type { Edit, Train } from '../train';
import { mounted } from './arranged';
import { chainTrain, dialsTrain, ladderTrain, planetaryTrain, withTeeth } from './as-train';
import { namesOf, type Finding } from './findings';
import type { SetQuestion } from './planetary';
import type { Question } from './question';
import { required } from '../required';

/** A finding as a train of its own, or, of a fit, as the open train with other counts. */
export function trainOfFinding(
  question: Question,
  { made }: Pick<Finding, 'made'>,
  name: string,
  open: Train | null,
): Edit {
  const making = { name, module: question.module };
  switch (made.kind) {
    case 'chain':
      return question.kind === 'chains'
        ? chainTrain(making, required(mounted(question, made.chain)), question.question.equalCentres)
        : WRONG_KIND;
    case 'sets': {
      if (question.kind !== 'planetary') return WRONG_KIND;
      const { behind } = question.question;
      const asked: readonly SetQuestion[] = [question.question, ...(behind ? [behind] : [])];
      return planetaryTrain(making, made.sets, asked);
    }
    case 'pairs':
      return ladderTrain(making, made.pairs, namesOf(made.pairs.length, question.kind === 'ranges'));
    case 'dials':
      return dialsTrain(making, made.dials);
    case 'teeth':
      return open ? withTeeth(open, made.teeth) : WRONG_KIND;
  }
}

const WRONG_KIND: Edit = { ok: false, message: 'This was found for another question: search again.' };
