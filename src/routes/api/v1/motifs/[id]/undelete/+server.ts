import { getMotif } from '$lib/server/motifs';
import { undoing } from '$lib/server/undo';
import type { RequestHandler } from './$types';

export const POST: RequestHandler = undoing('motif', getMotif);
