import { list } from '$lib/server/resource';
import { INSTRUMENT } from '$lib/server/resources';

export const { GET, POST } = list(INSTRUMENT);
