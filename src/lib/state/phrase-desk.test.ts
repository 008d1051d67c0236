import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import { RHYTHMS, STARTING_MOTIFS } from '$core/phrase';
import type { MotifAnswer, TuneAnswer } from '$lib/api/notebook-schema';
import { OpenTune } from './open-tune.svelte';
import { PhraseDesk } from './phrase-desk.svelte';
import { incomingOf } from './phrase-incoming';

const tune = (chart: string): TuneAnswer => ({
	id: '00000000-0000-4000-8000-000000000001',
	title: 'Test',
	key: 'Eb major',
	tempo: 76,
	feel: 'straight',
	bars: 4,
	chart,
	version: 1,
	createdAt: '',
	updatedAt: ''
});
const stored = STARTING_MOTIFS.map(({ name, motif }, i): MotifAnswer => ({
	id: `6d6f7469-6600-4000-8000-00000000000${i + 1}`,
	name,
	motif: motif as MotifAnswer['motif'],
	version: 1,
	createdAt: '',
	updatedAt: ''
}));
function desk(chart = 'key: Eb major\n| Eb | % | B | % |', motifs = stored) {
	const open = new OpenTune(tune(chart), 6);
	return { open, desk: new PhraseDesk(open, motifs) };
}
const names = (phrase: { notes: readonly { name: string }[] } | undefined) =>
	phrase?.notes.map((note) => note.name).join(' ');
const steps = (at: PhraseDesk) => at.motif.notes.map((note) => note.step).join(' ');

describe('the phrase desk', () => {
	it('lays the first motif on this chord and the next, with its answer', () => {
		const { desk: at } = desk();
		expect(at.name).toBe('Gangway');
		expect(at.dirty).toBe(false);
		expect(at.calls.map(names)).toEqual(['Bb Eb F G Bb', 'F# B C# D# F#']);
		expect(at.made.map(names)).toEqual(['Bb Eb F G Eb', 'F# B C# D# B']);
		at.landing = '3';
		expect(at.made.map(names)).toEqual(['Bb Eb F G G', 'F# B C# D# D#']);
	});

	it('moves the hand with the roots where that is wished', () => {
		const { desk: at } = desk();
		expect(at.handAt(1)).toBe(6);
		at.moves = true;
		expect([at.handAt(0), at.handAt(1)]).toEqual([6, 2]);
		const frets = at.calls.map((phrase) => phrase.notes.map((note) => note.fret));
		expect(frets[0].map((fret, i) => fret - frets[1][i])).toEqual([4, 4, 4, 4, 4]);
	});

	it('changes a step, takes notes out and in, moves all in time, and undoes it', () => {
		const { desk: at } = desk();
		const before = steps(at);
		at.pick(1);
		expect(at.note).toBe(0);
		at.lift(1);
		expect(steps(at)).toBe('6 R 9 3 5');
		at.lift(-1);
		at.lift(-1);
		expect(steps(at)).toBe('11 R 9 3 5');
		at.remove();
		expect(steps(at)).toBe('R 9 3 5');
		at.add();
		expect([at.motif.notes.length, at.note]).toEqual([5, 4]);
		at.later(240);
		expect(at.motif.notes[0].offsetTicks).toBe(720);
		at.later(-960);
		expect(at.motif.notes[0].offsetTicks).toBe(720);
		expect(at.dirty).toBe(true);
		while (at.drafts.canUndo) at.drafts.undo();
		expect(steps(at)).toBe(before);
		expect(at.dirty).toBe(false);
	});

	it('steps degrees and semitones by their own measure', () => {
		const { desk: at } = desk();
		const one = { offsetTicks: 0, durationTicks: 480 };
		at.take('Degrees', { basis: 'degree', notes: [{ ...one, step: '1' }] });
		at.lift(-1);
		expect(steps(at)).toBe('1');
		at.lift(1);
		expect(steps(at)).toBe('2');
		at.take('Semitones', { basis: 'interval', notes: [{ ...one, step: 0 }] });
		at.lift(-1);
		expect(at.motif.notes[0].step).toBe(-1);
		at.remove();
		expect(at.motif.notes).toHaveLength(1);
	});

	it('sets a motif in another rhythm, note after note', () => {
		const { desk: at } = desk();
		const rest = RHYTHMS.find((rhythm) => rhythm.id === 'rest-first');
		at.rhythm(rest?.eighths ?? []);
		expect(at.motif.notes.map((note) => note.offsetTicks)).toEqual([240, 480, 720, 960, 1440]);
		at.rhythm([0, 4]);
		expect(at.motif.notes.map((note) => note.offsetTicks)).toEqual([0, 960, 1920, 2880, 3840]);
		expect(at.motif.notes.map((note) => note.durationTicks)).toEqual([960, 960, 960, 960, 1920]);
	});

	it('is heard as a call here and an answer there, or as one run', () => {
		const { desk: at } = desk();
		expect(names(at.phrase())).toBe('Bb Eb F G Bb F# B C# D# B');
		expect(at.barsOf(at.phrase())).toEqual({ from: 0, to: 3 });
		at.making = 'sequence';
		at.times = 2;
		expect(names(at.phrase())).toBe('Bb Eb F G Bb C F G Ab C');
		expect(at.parts).toEqual(['call', 'call', 'free', 'free']);
		at.making = 'symmetric';
		expect(at.phrase().notes).toHaveLength(10);
		at.making = 'reverse';
		at.keepMade();
		expect(steps(at)).toBe('5 3 9 R 5');
	});

	it('is written as text, and tells what cannot be read', () => {
		const { desk: at } = desk();
		expect(at.text).toBe('. 5 R 9 3 . 5 -');
		expect(at.write('R - 3 5 > b7')).toBeNull();
		expect(at.motif.landing).toBe('b7');
		expect(at.write('R - 3 5 > b7')).toBeNull();
		at.drafts.undo();
		expect(at.text).toBe('. 5 R 9 3 . 5 -');
		expect(at.write('R x')).toMatch(/^Column 3: “x” cannot be read/);
		expect(at.text).toBe('. 5 R 9 3 . 5 -');
	});

	it('is told by roles, degrees or semitones, and sounds the same over this chord', () => {
		const { desk: at } = desk();
		const pitches = () => at.calls[0].notes.map((note) => note.midi);
		const before = pitches();
		at.setBasis('interval');
		expect(at.text).toBe('. 7 12 14 16 . 19 -');
		expect(pitches()).toEqual(before);
		at.setBasis('degree');
		expect(at.text).toBe('. 5 8 9 10 . 12 -');
		expect(pitches()).toEqual(before);
		at.setBasis('role');
		expect(at.text).toBe('. 5 R 9 3 . 5 -');
	});

	it('lays a talk over the bars, by bar or by pattern', () => {
		const { desk: at, open } = desk();
		expect(at.parts).toEqual(['call', 'free', 'answer', 'free']);
		expect(names(at.laid)).toBe(names(at.phrase()));
		at.bar = 1;
		for (let i = 0; i < 4; i++) at.nextPart();
		expect(at.parts).toEqual(['call', 'air', 'answer', 'free']);
		expect(names(at.phrase())).toBe('Bb Eb F G Bb F# B C# D# B');
		at.talk.fill(open.chart, at.parts, ['call', 'air', 'answer', 'hold']);
		expect(names(at.phrase())).toBe('Bb Eb F G Bb F# B C# D# B B');
		at.making = 'reverse';
		expect(names(at.phrase())).toBe('Bb Eb F G Bb F# D# C# B F# F#');
		at.talk.set(null);
		expect(at.parts).toEqual(['call', 'free', 'answer', 'free']);
		// Where every bar is the route's own again nothing is laid out.
		for (const bar of [0, 2]) at.talk.setBar(at.parts, bar, 'free');
		expect(at.talk.parts).toBeNull();
	});

	it('goes into the line with the time it takes over and the changes it leaves to the others', () => {
		const { desk: at, open } = desk('key: C major\n| C | Am | F | G7 |');
		expect(incomingOf(at)).toMatchObject({
			over: [{ from: 0, to: 2 * 1920 }],
			air: [],
			slide: 0
		});
		at.talk.fill(open.chart, at.parts, ['call', 'air', 'free', 'answer']);
		const incoming = incomingOf(at);
		expect(incoming?.over).toEqual([
			{ from: 0, to: 2 * 1920 },
			{ from: 3 * 1920, to: 4 * 1920 }
		]);
		expect(incoming?.air).toEqual([1]);
		expect(incoming?.notes).toHaveLength(10);
		at.making = 'sequence';
		at.talk.set(null);
		expect(incomingOf(at)?.over).toEqual([{ from: 0, to: 4 * 1920 }]);
		expect(incomingOf(desk('| N.C. |').desk)).toBeNull();
	});

	it('keeps to the frets of a slide, and moves with them', () => {
		const open = new OpenTune(tune('key: D mixolydian\ntuning: open-d\n| D7 | G7 |'), 12);
		const at = new PhraseDesk(open, stored);
		open.slide = 1;
		at.write('5 R 3 5');
		const frets = (phrase: { notes: readonly { fret: number }[] }) => [
			...new Set(phrase.notes.map((note) => note.fret))
		];
		expect(at.calls.map(frets)).toEqual([[12], [12]]);
		// On the fret of D there is no third of G: what is nearest is played, and told.
		expect(at.problems.length).toBeGreaterThan(0);
		at.moves = true;
		expect(at.calls.map(frets)).toEqual([[12], [17]]);
		expect(at.problems).toEqual([]);
		expect(at.calls.map(names)).toEqual(['A D F# A', 'D G B D']);
		expect(at.calls[1].notes.every((note) => note.finger === null)).toBe(true);
		expect(incomingOf(at)).toMatchObject({ slide: 1, block: true });
	});

	it('says once what does not fit', () => {
		const { desk: at } = desk('key: C major\n| C . F G |');
		expect(at.problems.some((message) => /is over before the motif/.test(message))).toBe(true);
		expect(new Set(at.problems).size).toBe(at.problems.length);
	});

	it('has a motif to begin with where the library is empty, and nothing without a chord', () => {
		const { desk: at } = desk(undefined, []);
		expect(steps(at)).toBe('R 3 5');
		expect(at.dirty).toBe(true);
		const empty = desk('| N.C. |').desk;
		expect([empty.shown, empty.calls, empty.made, empty.phrase().notes]).toEqual([[], [], [], []]);
	});
});

describe('the library', () => {
	const asked: { method: string; path: string; body: unknown }[] = [];
	beforeEach(() => {
		asked.length = 0;
		vi.stubGlobal('fetch', (path: string, init: { method: string; body?: string }) => {
			const body = init.body ? JSON.parse(init.body) : undefined;
			asked.push({ method: init.method, path, body });
			const answer = { ...stored[0], ...body, id: 'new', version: 2 };
			if (init.method === 'PUT') answer.id = stored[0].id;
			const status = init.method === 'DELETE' ? 204 : 200;
			return Promise.resolve(
				new Response(status === 204 ? null : JSON.stringify(answer), { status })
			);
		});
	});
	afterEach(() => vi.unstubAllGlobals());

	it('stores over the motif that it came from, or as a new one', async () => {
		const { desk: at } = desk();
		at.rename('Gangplank');
		await at.store();
		expect(asked[0]).toMatchObject({
			method: 'PUT',
			path: `/api/v1/motifs/${stored[0].id}`,
			body: { name: 'Gangplank', version: 1 }
		});
		expect(at.dirty).toBe(false);
		expect(at.shelf.motifs).toHaveLength(6);
		await at.store(true);
		expect(asked[1]).toMatchObject({ method: 'POST', path: '/api/v1/motifs' });
		expect(at.shelf.motifs).toHaveLength(7);
		await at.shelf.remove(at.shelf.motifs[0]);
		expect(asked[2].method).toBe('DELETE');
		expect(at.shelf.motifs).toHaveLength(6);
		await at.shelf.bringBack(stored[0]);
		expect(asked[3]).toMatchObject({
			method: 'POST',
			path: `/api/v1/motifs/${stored[0].id}/undelete`
		});
		expect(at.shelf.motifs).toHaveLength(7);
	});
});
