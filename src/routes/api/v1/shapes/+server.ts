import { shapesInput } from '$lib/api/neck-schema';
import { computed } from '$lib/server/computed';
import { inPool } from '$lib/server/pool';

export const POST = computed(shapesInput, inPool.shapes);
