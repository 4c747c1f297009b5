import { database } from '@/server/database';
import { readAnswers } from '@/server/heavy';
import { failure, withSent } from '@/server/http';
import { asKept, wantsAsKept } from '@/server/kept-answer';
import { addAnswers, listAnswers, putAnswersAside } from '@/server/practice/people';
import { keptAnswer } from '@/server/wrong';
import { MOST } from '@/server/most';
import { route } from '@/server/route';

const NOBODY = () => failure(404, 'no-person', 'There is no such name any more.');

export const { GET, HEAD, POST, PUT, PATCH, DELETE, OPTIONS } = route<{ id: string }>({
  /**
   * What someone has answered, the oldest first, and how many of their answers do not read; with ?as-kept those as a
   * file.
   */
  GET: async (request, { id }) => {
    const answers = await listAnswers(await database(), id);
    if (!answers) return NOBODY();
    const read = answers.map(({ document }) => ({ text: document, kept: keptAnswer(document) }));
    const unreadable = read.filter(({ kept }) => 'unreadable' in kept);
    if (wantsAsKept(request)) return asKept(unreadable.map(({ text }) => text).join('\n'));
    return Response.json({
      answers: read.flatMap(({ kept }) => ('document' in kept ? [kept.document] : [])),
      unreadable: unreadable.length,
    });
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
