import { item } from '$lib/server/resource';
import { SET } from '$lib/server/resources';

export const { GET, PUT, DELETE } = item(SET);
