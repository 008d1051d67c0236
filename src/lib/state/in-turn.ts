import { flushSync } from 'svelte';

const waiting: (() => void)[] = [];
let due = false;

function goOn(): void {
	if (due || waiting.length === 0) return;
	due = true;
	setTimeout(next);
}

function next(): void {
	due = false;
	const step = waiting.shift();
	// The next one comes, whatever becomes of this one.
	goOn();
	step?.();
	flushSync();
}

/**
 * Runs steps that draw one after the other, each in a task of its own, so that keys and clicks come between them.
 * @returns how to leave the queue.
 */
export function inTurn(step: () => void): () => void {
	waiting.push(step);
	goOn();
	return () => {
		const at = waiting.indexOf(step);
		if (at >= 0) waiting.splice(at, 1);
	};
}

/** Does a step now, or, while parts of the screen are still to come, once they are there: what was asked of them waits. */
export function afterParts(step: () => void): void {
	if (waiting.length === 0) step();
	else inTurn(step);
}
