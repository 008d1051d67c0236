import { list } from '$lib/server/resource';
import { SET } from '$lib/server/resources';

export const { GET, POST } = list(SET);
