import { database } from '@/server/database';
import { failure, jsonFields, readJson } from '@/server/http';
import { addAnswers, listAnswers } from '@/server/practice/people';
import { route } from '@/server/route';
import { answersRequest } from '@/wire';

const NOBODY = () => failure(404, 'no-person', 'There is no such name any more.');

export const { GET, HEAD, POST, PUT, PATCH, DELETE, OPTIONS } = route<{ id: string }>({
  /** What someone has answered, the oldest first. */
  GET: async (_, { id }) => {
    const answers = await listAnswers(await database(), id);
    return answers ? jsonFields({ answers: `[${answers.join(',')}]` }) : NOBODY();
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
