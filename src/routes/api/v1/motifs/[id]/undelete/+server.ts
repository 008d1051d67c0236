import { undeletion } from '$lib/server/resource';
import { MOTIF } from '$lib/server/resources';

export const POST = undeletion(MOTIF);
