import { database } from '@/server/database';
import { readAnswers } from '@/server/heavy';
import { failure, withSent } from '@/server/http';
import { asKept, asksAsKept } from '@/server/kept-answer';
import { addAnswers, listAnswers, putAnswersAside } from '@/server/practice/people';
import { wrongInAnswer } from '@/server/wrong';
import { keptDocument } from '@/server/kept-row';
import { MOST } from '@/server/most';
import { route } from '@/server/route';
import { answerDocument } from '@/wire';

const NOBODY = () => failure(404, 'no-person', 'There is no such name any more.');

export const { GET, HEAD, POST, PUT, PATCH, DELETE, OPTIONS } = route<{ id: string }>({
  /**
   * What someone has answered, the oldest first, and how many of their answers do not read; with ?as-kept those as a
   * file.
   */
  GET: async (request, { id }) => {
    const answers = await listAnswers(await database(), id);
    if (!answers) return NOBODY();
    const wrong = answers.filter(({ document }) => wrongInAnswer(document) !== null);
    if (asksAsKept(request)) return asKept(wrong.map(({ document }) => document).join('\n'));
    const read = answers.flatMap(({ document }) => {
      const kept = keptDocument(document);
      const answer = answerDocument.safeParse('document' in kept ? kept.document : null);
      return answer.success ? [answer.data] : [];
    });
    return Response.json({ answers: read, unreadable: wrong.length });
  },

  /** Puts those that do not read aside. */
  DELETE: async (_, { id }) => ((await putAnswersAside(await database(), id)) === null ? NOBODY() : Response.json({})),

  /** Adds answers; each is kept once. */
  POST: (request, { id }) =>
    withSent(request, readAnswers, async (answers) => {
      const kept = await addAnswers(await database(), id, answers);
      if (kept === 'missing') return NOBODY();
      return kept === 'kept'
        ? Response.json({})
        : failure(409, 'full', `Under this name ${MOST.answers} answers are kept, which is as many as there can be.`);
    }),
});
