import { failure } from '@/server/http';
import { route } from '@/server/route';

const nothing = async () => failure(404, 'no-address', 'There is nothing at this address.');

/** Every address of the API that is none. */
export const { GET, HEAD, POST, PUT, PATCH, DELETE, OPTIONS } = route<{ unknown: string[] }>({
  GET: nothing,
  POST: nothing,
  PUT: nothing,
  PATCH: nothing,
  DELETE: nothing,
});
