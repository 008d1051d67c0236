import { undeletion } from '$lib/server/resource';
import { INSTRUMENT } from '$lib/server/resources';

export const POST = undeletion(INSTRUMENT);
