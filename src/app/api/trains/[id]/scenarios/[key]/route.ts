import { endpoints } from '@/server/endpoint';
import { keepOneBeside, readOneBeside, removeOneBeside, SCENARIOS } from '@/server/trains/beside-answers';

export const { GET, HEAD, POST, PUT, PATCH, DELETE, OPTIONS } = endpoints({
  readScenario: readOneBeside(SCENARIOS),
  keepScenario: keepOneBeside(SCENARIOS),
  removeScenario: removeOneBeside(SCENARIOS),
});
