import * as z from 'zod/mini';
import { Kept } from './kept.svelte';

const schema = z.object({ seen: z.catch(z.array(z.string()), []) });

/** The screens that were visited in this browser: each says once what to do on it. */
class FirstVisits extends Kept<z.infer<typeof schema>> {
	constructor() {
		super('arc-step-visits', (stored) => schema.parse(stored));
	}

	/** Whether this is the first visit of a screen; the next one is not. */
	isFirst(screen: string): boolean {
		if (this.current.seen.includes(screen)) return false;
		this.set('seen', [...this.current.seen, screen]);
		return true;
	}
}

export const firstVisits = new FirstVisits();
