import { judgeInput } from '$lib/api/practice-schema';
import { computed } from '$lib/server/computed';
import { judgeInPool } from '$lib/server/pool';

export const POST = computed(judgeInput, judgeInPool);
