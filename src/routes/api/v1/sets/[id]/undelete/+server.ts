import { undeletion } from '$lib/server/resource';
import { SET } from '$lib/server/resources';

export const POST = undeletion(SET);
