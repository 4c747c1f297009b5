import { endpoints } from '@/server/endpoint';
import { keepOneBeside, readOneBeside, removeOneBeside, SEARCHES } from '@/server/trains/beside-answers';

export const { GET, HEAD, POST, PUT, PATCH, DELETE, OPTIONS } = endpoints({
  readSearch: readOneBeside(SEARCHES),
  keepSearch: keepOneBeside(SEARCHES),
  removeSearch: removeOneBeside(SEARCHES),
});
