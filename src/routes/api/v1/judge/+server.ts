import { judgeInput } from '$lib/api/practice-schema';
import { computed } from '$lib/server/computed';
import { inPool } from '$lib/server/pool';

export const POST = computed(judgeInput, inPool.judge);
