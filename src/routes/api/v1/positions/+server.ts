import { positionsInput } from '$lib/api/neck-schema';
import { computed } from '$lib/server/computed';
import { positionsInPool } from '$lib/server/pool';

export const POST = computed(positionsInput, positionsInPool);
