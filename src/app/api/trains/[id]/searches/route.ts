import { endpoints } from '@/server/endpoint';
import { listBeside, SEARCHES } from '@/server/trains/beside-answers';

export const { GET, HEAD, POST, PUT, PATCH, DELETE, OPTIONS } = endpoints({
  listSearches: listBeside(SEARCHES),
});
