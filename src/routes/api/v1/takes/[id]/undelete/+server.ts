import { undeletion } from '$lib/server/resource';
import { TAKE } from '$lib/server/resources';

export const POST = undeletion(TAKE);
