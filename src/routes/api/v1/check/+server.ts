import { checkInput } from '$lib/api/plan-schema';
import { computed } from '$lib/server/computed';
import { checkInPool } from '$lib/server/pool';

export const POST = computed(checkInput, checkInPool);
