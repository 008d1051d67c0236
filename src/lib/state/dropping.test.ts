import { afterEach, expect, it, vi } from 'vitest';
import { dropping } from './dropping.svelte';

const heard = new Map<string, (event: unknown) => void>();
vi.stubGlobal('addEventListener', (kind: string, listener: (event: unknown) => void) =>
	heard.set(kind, listener)
);
vi.stubGlobal('removeEventListener', (kind: string) => heard.delete(kind));
/** @returns whether the browser's own doing was prevented */
function send(type: string, files: readonly string[], types = ['Files']): boolean {
	const preventDefault = vi.fn();
	const dataTransfer = { types, files, dropEffect: 'none' };
	heard.get(type)?.({ type, preventDefault, stopPropagation: vi.fn(), dataTransfer });
	return preventDefault.mock.calls.length > 0;
}
afterEach(() => void dropping.take());

it('says while files are over the page, in and out of every element', () => {
	const end = dropping.listen();
	send('dragenter', []);
	send('dragenter', []);
	send('dragleave', []);
	expect(dropping.over).toBe(true);
	send('dragleave', []);
	send('dragleave', []);
	expect(dropping.over).toBe(false);
	end();
	expect(heard.size).toBe(0);
});

it('keeps what was dropped until it is taken, and lets the browser open none of it', () => {
	dropping.listen();
	send('dragenter', []);
	expect(send('dragover', [])).toBe(true);
	expect(send('drop', ['a.mid', 'b.txt'])).toBe(true);
	expect(dropping.over).toBe(false);
	send('drop', ['c.tab']);
	expect(dropping.take()).toEqual(['a.mid', 'b.txt', 'c.tab']);
	expect(dropping.take()).toEqual([]);
});

it('leaves words that are dragged alone', () => {
	dropping.listen();
	expect(send('drop', ['words'], ['text/plain'])).toBe(false);
	expect(dropping.take()).toEqual([]);
});
