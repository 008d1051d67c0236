import { planInput } from '$lib/api/plan-schema';
import { computed } from '$lib/server/computed';
import { inPool } from '$lib/server/pool';

export const POST = computed(planInput, inPool.plan);
