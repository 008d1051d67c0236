import { planInput } from '$lib/api/plan-schema';
import { computed } from '$lib/server/computed';
import { planInPool } from '$lib/server/pool';

export const POST = computed(planInput, planInPool);
