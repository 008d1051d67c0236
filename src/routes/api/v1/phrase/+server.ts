import { phraseInput } from '$lib/api/phrase-schema';
import { computed } from '$lib/server/computed';
import { inPool } from '$lib/server/pool';

export const POST = computed(phraseInput, inPool.phrase);
