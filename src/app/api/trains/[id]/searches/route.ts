import { listRoute } from '@/server/trains/beside-routes';
import { SEARCHES } from './keeping';

export const { GET, HEAD, POST, PUT, PATCH, DELETE, OPTIONS } = listRoute(SEARCHES);
