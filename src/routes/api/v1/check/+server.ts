import { checkInput } from '$lib/api/plan-schema';
import { computed } from '$lib/server/computed';
import { inPool } from '$lib/server/pool';

export const POST = computed(checkInput, inPool.check);
