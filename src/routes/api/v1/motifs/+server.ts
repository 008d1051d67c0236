import { list } from '$lib/server/resource';
import { MOTIF } from '$lib/server/resources';

export const { GET, POST } = list(MOTIF);
