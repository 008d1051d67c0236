import { openDatabase } from '$lib/server/database';
import { json } from '$lib/server/http';
import { edited } from '$lib/server/resource';
import { PLAYER } from '$lib/server/resources';

export const GET = async (): Promise<Response> => json(await PLAYER.get(await openDatabase(), ''));

export const PUT = ({ request }: { request: Request }): Promise<Response> =>
	edited(PLAYER, request, '');
