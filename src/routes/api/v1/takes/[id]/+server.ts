import { item } from '$lib/server/resource';
import { TAKE } from '$lib/server/resources';

export const { GET, PUT, DELETE } = item(TAKE);
