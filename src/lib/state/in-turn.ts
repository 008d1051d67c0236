import { flushSync } from 'svelte';

const waiting: (() => void)[] = [];

function next(): void {
	const step = waiting[0];
	if (!step) return;
	flushSync(step);
	waiting.shift();
	if (waiting.length > 0) setTimeout(next);
}

/**
 * Runs steps that draw one after the other, each in a task of its own, so that keys and clicks come between them.
 * @returns how to leave the queue.
 */
export function inTurn(step: () => void): () => void {
	waiting.push(step);
	if (waiting.length === 1) setTimeout(next);
	return () => {
		const at = waiting.indexOf(step);
		if (at > 0) waiting.splice(at, 1);
		else if (at === 0) waiting[0] = () => {};
	};
}
