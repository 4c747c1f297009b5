import { keptRoute } from '@/server/trains/beside-routes';
import { SCENARIOS } from '../keeping';

export const { GET, HEAD, POST, PUT, PATCH, DELETE, OPTIONS } = keptRoute(SCENARIOS);
