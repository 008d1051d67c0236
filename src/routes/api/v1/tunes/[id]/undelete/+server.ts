import { undeletion } from '$lib/server/resource';
import { TUNE } from '$lib/server/resources';

export const POST = undeletion(TUNE);
