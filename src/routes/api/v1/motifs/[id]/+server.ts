import { item } from '$lib/server/resource';
import { MOTIF } from '$lib/server/resources';

export const { GET, PUT, DELETE } = item(MOTIF);
