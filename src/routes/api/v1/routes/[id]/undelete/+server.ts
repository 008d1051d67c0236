import { undeletion } from '$lib/server/resource';
import { ROUTE } from '$lib/server/resources';

export const POST = undeletion(ROUTE);
