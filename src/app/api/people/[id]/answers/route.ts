import { database } from '@/server/database';
import { readAnswers } from '@/server/heavy';
import { failure, withSent } from '@/server/http';
import { asKept, wantsAsKept } from '@/server/kept-answer';
import { addAnswers, listAnswers, putAnswersAside } from '@/server/practice/people';
import { keptAnswer } from '@/server/wrong';
import { MOST } from '@/server/most';
import { endpoints } from '@/server/endpoint';

const NOBODY = () => failure(404, 'no-person', 'There is no such name any more.');

export const { GET, HEAD, POST, PUT, PATCH, DELETE, OPTIONS } = endpoints({
  /**
   * What someone has answered, the oldest first, and how many of their answers do not read; with ?as-kept those as a
   * file.
   */
  readAnswers: async (request, { id }) => {
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
  putAnswersAside: async (_, { id }) => ((await putAnswersAside(await database(), id)) === null ? NOBODY() : {}),

  /** Adds answers; each is kept once. */
  addAnswers: (request, { id }) =>
    withSent(request, readAnswers, async (answers) => {
      const kept = await addAnswers(await database(), id, answers);
      if (kept === 'missing') return NOBODY();
      return kept === 'kept'
        ? {}
        : failure(
            409,
            'full',
            `The limit is ${MOST.answers} answers under one name, and this one has them: go on under another.`,
          );
    }),
});
