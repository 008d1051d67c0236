import { describe, expect, it } from 'vitest';
import { History } from './history.svelte';

describe('History', () => {
	it('walks back and forth and forgets what a new step replaces', () => {
		const history = new History({ n: 0 });
		history.push({ n: 1 });
		history.push({ n: 2 });
		history.undo();
		expect(history.current.n).toBe(1);
		history.redo();
		expect(history.current.n).toBe(2);
		history.undo();
		history.push({ n: 3 });
		expect(history.canRedo).toBe(false);
		history.undo();
		history.undo();
		expect(history.current.n).toBe(0);
		history.undo();
		expect([history.current.n, history.canUndo]).toEqual([0, false]);
	});
});
