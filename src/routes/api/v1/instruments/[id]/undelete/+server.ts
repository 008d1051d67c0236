import { getInstrument } from '$lib/server/instruments';
import { undoing } from '$lib/server/undo';
import type { RequestHandler } from './$types';

export const POST: RequestHandler = undoing('instrument', getInstrument);
