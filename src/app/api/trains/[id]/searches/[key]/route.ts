import { endpoints } from '@/server/endpoint';
import { keepOneBeside, readBeside, removeOneBeside, SEARCHES } from '@/server/trains/beside-answers';

export const { GET, HEAD, POST, PUT, PATCH, DELETE, OPTIONS } = endpoints({
  readSearch: readBeside(SEARCHES),
  keepSearch: keepOneBeside(SEARCHES),
  removeSearch: removeOneBeside(SEARCHES),
});
