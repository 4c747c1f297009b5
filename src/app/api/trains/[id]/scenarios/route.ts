import { endpoints } from '@/server/endpoint';
import { listBeside, SCENARIOS } from '@/server/trains/beside-answers';

export const { GET, HEAD, POST, PUT, PATCH, DELETE, OPTIONS } = endpoints({
  listScenarios: listBeside(SCENARIOS),
});
