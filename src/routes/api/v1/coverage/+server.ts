import { coverageInput } from '$lib/api/neck-schema';
import { computed } from '$lib/server/computed';
import { coverageInPool } from '$lib/server/pool';

export const POST = computed(coverageInput, coverageInPool);
