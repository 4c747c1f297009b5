import { database } from '@/server/database';
import { failure, readJson } from '@/server/http';
import { addPerson, listPeople } from '@/server/practice/people';
import { route } from '@/server/route';
import { personRequest } from '@/wire';

export const { GET, HEAD, POST, PUT, PATCH, DELETE, OPTIONS } = route({
  /** Who practises here. */
  GET: async () => Response.json({ people: await listPeople(await database()) }),

  /** Adds a name. */
  POST: async (request) => {
    const body = await readJson(request);
    if (!body.ok) return body.response;
    const asked = personRequest.safeParse(body.value);
    if (!asked.success) return failure(400, 'bad-request', 'A name has 1 to 60 characters.');
    const added = await addPerson(await database(), asked.data);
    if (added === 'taken')
      return failure(
        409,
        'taken',
        'There is someone of this name already: pick them from the list, or add something to the name.',
      );
    return added === 'kept'
      ? Response.json({})
      : failure(409, 'full', 'There are 500 names, which is as many as there can be.');
  },
});
