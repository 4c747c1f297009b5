import { endpoints } from '@/server/endpoint';
import { keepOneBeside, readBeside, removeOneBeside, SCENARIOS } from '@/server/trains/beside-answers';

export const { GET, HEAD, POST, PUT, PATCH, DELETE, OPTIONS } = endpoints({
  readScenario: readBeside(SCENARIOS),
  keepScenario: keepOneBeside(SCENARIOS),
  removeScenario: removeOneBeside(SCENARIOS),
});
