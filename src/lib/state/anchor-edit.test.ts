import { NO_ANCHORS } from '$lib/api/route-schema';
import { parseChart } from '$core/chart';
import { standardGuitar } from '$core/neck';
import { describe, expect, it } from 'vitest';
import * as edit from './anchor-edit';
import { moveAnchors } from './anchor-move';

const chart = parseChart('key: Bb blues\n| Bb7 | Eb7 | Bb7 | F7 |');
const context = { chart, instrument: standardGuitar() };
/** D over Bb7 and its own tone in Eb7's bar: string 3, fret 7 is D; fret 8 is E♭; fret 6 is D♭. */
const at = (fret: number) => ({ string: 3, fret });

describe('what is fixed', () => {
	it('a lock must sound a tone of its chord, and takes the place of what stood there', () => {
		expect(edit.lockAt(NO_ANCHORS, context, 1, at(7))).toBeNull();
		expect(edit.lockAt(NO_ANCHORS, context, 9, at(7))).toBeNull();
		const passed = edit.toggleLetPass(NO_ANCHORS, context, 1);
		const out = edit.toggleForbidden(passed, at(6));
		const locked = edit.lockAt(out, context, 1, at(6));
		expect(locked).toMatchObject({ letPass: [], forbid: [] });
		expect(locked?.locks).toEqual([{ bar: 2, beat: 1, pass: 1, string: 3, fret: 6 }]);
		expect(edit.unlock(locked ?? NO_ANCHORS, context, 1).locks).toEqual([]);
	});

	it('letting pass keeps own notes, but no longer judges the change; landing again takes them out', () => {
		const ways = [[1, [{ offset: 0, durationTicks: 240, ...at(7) }]]] as const;
		const own = edit.setWays(NO_ANCHORS, context, ways);
		expect(own.letPass[0].own).toBe(true);
		const passed = edit.toggleLetPass(own, context, 1);
		expect(passed.letPass).toEqual([{ bar: 2, beat: 1, pass: 1 }]);
		expect(passed.frozen[0].notes).toHaveLength(1);
		for (const back of [edit.toggleLetPass(passed, context, 1), edit.landAgain(own, context, 1)]) {
			expect(back.letPass).toEqual([]);
			expect(back.frozen[0].notes).toEqual([]);
		}
	});

	it('a place that is left out gives its lock up, and is taken in again', () => {
		const locked = edit.lockAt(NO_ANCHORS, context, 0, at(7)) ?? NO_ANCHORS;
		const out = edit.toggleForbidden(locked, at(7));
		expect([out.locks, out.forbid]).toEqual([[], [at(7)]]);
		expect(edit.toggleForbidden(out, at(7)).forbid).toEqual([]);
	});

	it('wishes for one change replace each other, and null gives them up', () => {
		let anchors = edit.setLean(NO_ANCHORS, context, 2, 'lean');
		anchors = edit.setLean(anchors, context, 2, 'rest');
		expect(anchors.leans).toEqual([{ bar: 3, beat: 1, pass: 1, wish: 'rest' }]);
		expect(edit.setLean(anchors, context, 2, null).leans).toEqual([]);
		anchors = edit.setScale(anchors, context, 2, { tonic: 'Bb', name: 'mixolydian' });
		anchors = edit.setScale(anchors, context, 2, { tonic: 'Bb', name: 'lydian dominant' });
		expect(anchors.scales).toHaveLength(1);
		expect(edit.setScale(anchors, context, 2, null).scales).toEqual([]);
		const wished = edit.toggleArrival(NO_ANCHORS, context, 1, 'enclosure');
		expect(wished.arrive).toHaveLength(1);
		expect(edit.toggleArrival(wished, context, 1, 'enclosure').arrive).toEqual([]);
	});

	it('fingers hold for a note on its place at its time', () => {
		const notes = [
			{ tick: 1920 + 240, string: 3, fret: 8 },
			{ tick: 0, string: 3, fret: 7 }
		];
		let anchors = edit.setFinger(NO_ANCHORS, context, notes, 3);
		expect(anchors.fingers.map(({ bar, offset, finger }) => [bar, offset, finger])).toEqual([
			[2, 240, 3],
			[1, 0, 3]
		]);
		expect(edit.fingerOf(anchors, context, notes[0])).toBe(3);
		expect(edit.fingerOf(anchors, context, { ...notes[0], fret: 6 })).toBeNull();
		anchors = edit.setFinger(anchors, context, [notes[0]], 4);
		expect(edit.fingerOf(anchors, context, notes[0])).toBe(4);
		anchors = edit.setFinger(anchors, context, notes, null);
		expect(anchors.fingers).toEqual([]);
	});

	it('own ways lock what lands; what does not stands and is still judged', () => {
		const note = (offset: number, fret: number) => ({ offset, durationTicks: 240, ...at(fret) });
		const ways = [
			[0, [note(0, 7), note(240, 8)]],
			[1, [note(0, 7)]],
			[2, [note(480, 7)]]
		] as const;
		const anchors = edit.setWays(NO_ANCHORS, context, ways, [0, 1, 2]);
		expect(anchors.locks.map((lock) => lock.bar)).toEqual([1]);
		expect(anchors.letPass.map(({ bar, own }) => [bar, own])).toEqual([
			[2, true],
			[3, true]
		]);
		// The landing stays among its way's notes, for it ends where the player lets it end.
		expect(anchors.frozen.map((way) => way.notes.length)).toEqual([2, 1, 1]);
		// Where the player leaves air nothing is judged.
		const air = edit.setWays(NO_ANCHORS, context, [[1, []]], [1], [1]);
		expect(air.letPass.map(({ bar, own }) => [bar, own])).toEqual([[2, undefined]]);
		// Without being silenced a change without a first note keeps its landing.
		expect(edit.setWays(NO_ANCHORS, context, [ways[2]]).letPass).toEqual([]);
		const { anchors: moved } = moveAnchors(anchors, context, 5, { steps: 3, semitones: 5 });
		expect(moved.locks[0].fret).toBe(12);
		expect(moved.frozen[1].notes[0].fret).toBe(12);
		const far = moveAnchors(anchors, context, 16, { steps: 2, semitones: 4 });
		expect(far.anchors.locks).toEqual([]);
		// Own notes are never lost: what leaves the neck goes on elsewhere, and that is counted.
		expect(far.refingered).toBe(4);
		expect(far.anchors.frozen.map((way) => way.notes.length)).toEqual([2, 1, 1]);
		expect(edit.locksWithin(anchors, context, () => 12).locks).toEqual([]);
	});
});
