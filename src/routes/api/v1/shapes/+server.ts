import { shapesInput } from '$lib/api/neck-schema';
import { computed } from '$lib/server/computed';
import { shapesInPool } from '$lib/server/pool';

export const POST = computed(shapesInput, shapesInPool);
