import { database } from '@/server/database';
import { failure, readJson } from '@/server/http';
import { addAnswers, listAnswers } from '@/server/practice/people';
import { keptDocument } from '@/server/kept-row';
import { route } from '@/server/route';
import { answerDocument, answersRequest } from '@/wire';

const documentOf = (text: string): object | null => {
  const read = keptDocument(text);
  return 'document' in read ? read.document : null;
};

const NOBODY = () => failure(404, 'no-person', 'There is no such name any more.');

export const { GET, HEAD, POST, PUT, PATCH, DELETE, OPTIONS } = route<{ id: string }>({
  /** What someone has answered, the oldest first, and how many of their answers do not read. */
  GET: async (_, { id }) => {
    const answers = await listAnswers(await database(), id);
    if (!answers) return NOBODY();
    const read = answers.map((text) => answerDocument.safeParse(documentOf(text)));
    return Response.json({
      answers: read.flatMap((one) => (one.success ? [one.data] : [])),
      unreadable: read.filter((one) => !one.success).length,
    });
  },

  /** Adds answers; each is kept once. */
  POST: async (request, { id }) => {
    const body = await readJson(request);
    if (!body.ok) return body.response;
    const asked = answersRequest.safeParse(body.value);
    if (!asked.success)
      return failure(400, 'bad-request', 'Send up to 1000 answers, each with its id, when it was, the train, the skill and whether it was right.'); // prettier-ignore
    const added = asked.data.answers.map(({ id: own, answer }) => ({ id: own, document: JSON.stringify(answer) }));
    const kept = await addAnswers(await database(), id, added);
    if (kept === 'missing') return NOBODY();
    return kept === 'kept'
      ? Response.json({})
      : failure(409, 'full', 'Under this name 50 000 answers are kept, which is as many as there can be.');
  },
});
