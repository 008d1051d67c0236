import { item } from '$lib/server/resource';
import { ROUTE } from '$lib/server/resources';

export const { GET, PUT, DELETE } = item(ROUTE);
