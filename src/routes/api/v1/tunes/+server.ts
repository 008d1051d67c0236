import { list } from '$lib/server/resource';
import { TUNE } from '$lib/server/resources';

export const { GET, POST } = list(TUNE);
