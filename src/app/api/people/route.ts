import { database } from '@/server/database';
import { failure } from '@/server/http';
import { addPerson, listPeople } from '@/server/practice/people';
import { MOST } from '@/server/most';
import { endpoints, readRequest } from '@/server/endpoint';

export const { GET, HEAD, POST, PUT, PATCH, DELETE, OPTIONS } = endpoints({
  /** Who practises here. */
  listPeople: async () => ({ people: await listPeople(await database()) }),

  /** Adds a name. */
  addPerson: async (request) => {
    const asked = await readRequest('addPerson', request, 'A name has 1 to 60 characters.');
    if (!asked.ok) return asked.response;
    const added = await addPerson(await database(), asked.value);
    if (added === 'taken')
      return failure(
        409,
        'taken',
        'There is someone of this name already: pick them from the list, or add something to the name.',
      );
    return added === 'kept' ? {} : failure(409, 'full', `The limit is ${MOST.people} names: remove some first.`);
  },
});
