import { item } from '$lib/server/resource';
import { TUNE } from '$lib/server/resources';

export const { GET, PUT, DELETE } = item(TUNE);
