import { item } from '$lib/server/resource';
import { INSTRUMENT } from '$lib/server/resources';

export const { GET, PUT, DELETE } = item(INSTRUMENT);
