import { z } from 'zod';

/** Most characters of a query. */
export const LONGEST_QUERY = 200;

const match = z.object({
	in: z.enum(['title', 'key', 'chords', 'words']),
	text: z.string().describe('What matched, as it is read')
});
export type Match = z.infer<typeof match>;

export const searchAnswer = z.object({
	found: z.array(z.object({ id: z.uuid(), title: z.string(), matches: z.array(match) }))
});
export type SearchAnswer = z.infer<typeof searchAnswer>;
