import fc from 'fast-check';
import type { SetAnswer } from '$lib/api/notebook-schema';
import { beforeEach, describe, expect, it, vi } from 'vitest';
import { groupsOf, SetBoard } from './set-board.svelte';

const tune = (id: string) => ({ id, title: `Tune ${id}` });
const TUNES = ['a', 'b', 'c', 'd', 'e'].map(tune);
const set = (id: string, tuneIds: string[]): SetAnswer => ({
	...{ id, name: `Set ${id}`, note: '', tuneIds, version: 1 },
	...{ createdAt: '2026-01-01T00:00:00.000Z', updatedAt: '2026-01-01T00:00:00.000Z' }
});

/** A server that keeps sets by version. */
let sets: Map<string, SetAnswer>;
function kept(id: string): SetAnswer {
	const one = sets.get(id);
	if (!one) throw new Error(id);
	return one;
}
const puts: string[] = [];
const said: { told: string; undo: () => Promise<void> }[] = [];
const refused: string[] = [];
beforeEach(() => {
	sets = new Map([set('x', ['a', 'b', 'c']), set('y', ['d'])].map((one) => [one.id, one]));
	for (const list of [puts, said, refused]) list.length = 0;
	vi.stubGlobal('fetch', (path: string, init: { body: string }) => {
		const id = path.split('/').at(-1) ?? '';
		const body = JSON.parse(init.body) as SetAnswer;
		const there = kept(id);
		puts.push(`${id}: ${body.tuneIds.join('')}`);
		if (there.version !== body.version) {
			return Promise.resolve(Response.json({ detail: 'stale' }, { status: 409 }));
		}
		const next = { ...there, ...body, version: there.version + 1 };
		sets.set(id, next);
		return Promise.resolve(Response.json(next));
	});
	return () => vi.unstubAllGlobals();
});
function board() {
	const made = new SetBoard<ReturnType<typeof tune>>(
		(told, undo) => said.push({ told, undo }),
		(reason) => refused.push(reason)
	);
	made.show(TUNES, [...sets.values()]);
	return made;
}
const shown = ({ groups }: { groups: SetBoard<{ id: string; title: string }>['groups'] }) =>
	groups.map(({ set: one, tunes }) => `${one?.id ?? '-'}: ${tunes.map(({ id }) => id).join('')}`);

describe('the board of sets', () => {
	it('shows each set in its order and the rest outside', () => {
		expect(shown({ groups: groupsOf(TUNES, [...sets.values()]) })).toEqual([
			'x: abc',
			'y: d',
			'-: e'
		]);
	});

	it('moves a tune by keys, at an end into the next group, and saves what changed', async () => {
		const at = board();
		expect(at.step('a', 'x', 1)).toBe(true);
		await at.save('moved');
		expect(puts).toEqual(['x: bac']);
		at.step('c', 'x', 1);
		expect(shown(at)).toEqual(['x: ba', 'y: cd', '-: e']);
		await at.save('moved');
		expect(puts.slice(1)).toEqual(['x: ba', 'y: cd']);
		expect(at.step('b', 'x', -1)).toBe(false);
		at.step('e', null, -1);
		expect(shown(at)).toEqual(['x: ba', 'y: cde', '-: ']);
		expect(at.step('e', 'y', 1)).toBe(true);
		expect(at.step('e', null, 1)).toBe(false);
	});

	it('puts a move back, by the newest version', async () => {
		const at = board();
		at.step('c', 'x', 1);
		await at.save('c is moved');
		expect(said[0].told).toBe('c is moved');
		await said[0].undo();
		expect([...sets.values()].map(({ tuneIds }) => tuneIds.join(''))).toEqual(['abc', 'd']);
	});

	it('keeps moves that follow each other quickly in order', async () => {
		const at = board();
		const saves = [];
		for (let i = 0; i < 4; i++) {
			at.step('a', i < 3 ? 'x' : 'y', 1);
			saves.push(at.save('moved'));
			// The notebook that was asked for meanwhile does not disturb the player.
			at.show(TUNES, [...sets.values()]);
		}
		await Promise.all(saves);
		expect(refused).toEqual([]);
		expect(sets.get('x')?.tuneIds).toEqual(['b', 'c']);
		expect(shown(at).slice(0, 2)).toEqual(
			[...sets.values()].map(({ id, tuneIds }) => `${id}: ${tuneIds.join('')}`)
		);
	});

	it('tells when a set was changed elsewhere', async () => {
		const at = board();
		sets.set('x', { ...kept('x'), version: 5 });
		at.step('a', 'x', 1);
		await at.save('moved');
		expect(refused).toEqual(['stale']);
		expect(said).toEqual([]);
	});

	it('holds a tune once in a set, and loses none, wherever things are dropped', () => {
		fc.assert(
			fc.property(
				fc.array(fc.tuple(fc.constantFrom('x', 'y', null), fc.subarray(TUNES, { minLength: 0 })), {
					maxLength: 8
				}),
				(drops) => {
					const at = board();
					for (const [id, tunes] of drops) at.lay(id, [...tunes, ...tunes]);
					void at.save('dropped');
					for (const { tunes } of at.groups) expect(new Set(tunes).size).toBe(tunes.length);
					const all = new Set(at.groups.flatMap(({ tunes }) => tunes.map(({ id }) => id)));
					expect([...all].sort()).toEqual(['a', 'b', 'c', 'd', 'e']);
				}
			)
		);
	});
});
