import { NO_LINE, NO_ANCHORS } from './route-schema';
import { describe, expect, it } from 'vitest';
import { runAlternatives, runLandings, runRoute, type RouteRequest } from './route';

const CHART = 'key: Bb blues\n[Head]\n| Bb7 | Eb7 | Bb7 | % |\n[Tail]\n| Cm7 | F7 | Bb7 | F7 |';
const request = (over: Partial<RouteRequest['route']> = {}, chart = CHART): RouteRequest => ({
	chart,
	instrument: undefined,
	route: { position: 6, style: 'nearest', line: NO_LINE, anchors: NO_ANCHORS, ...over }
});
function planned(over: Partial<RouteRequest['route']> = {}) {
	const made = runRoute(request(over));
	if ('error' in made) throw new Error(made.error[0].message);
	return made.value;
}

describe('a route as the page asks for it', () => {
	it('puts the hand where each section has its place', () => {
		const line = { ...NO_LINE, places: [{ section: 'Tail', position: 11 }] };
		const { windows, targets } = planned({ line });
		expect(windows).toEqual([
			{ change: 0, position: 6 },
			{ change: 3, position: 11 }
		]);
		for (const { change, fret } of targets) {
			const low = change < 3 ? 5 : 10;
			expect(fret).toBeGreaterThanOrEqual(low);
			expect(fret).toBeLessThanOrEqual(low + 5);
		}
		// A lock in the section's own place is kept, one outside it waits, and that is told.
		const lock = { bar: 5, beat: 1, pass: 1, string: 3, fret: 12 };
		const anchors = { ...NO_ANCHORS, locks: [lock] };
		expect(planned({ line, anchors }).targets[3]).toMatchObject({ string: 3, fret: 12 });
		const waiting = planned({ line, anchors: { ...NO_ANCHORS, locks: [{ ...lock, fret: 5 }] } });
		expect(waiting.warnings.join()).toMatch(/bar 5 \(string 3, fret 5\) lies outside this place/);
		expect(waiting.targets[3].fret).toBeGreaterThanOrEqual(10);
	});

	it('leaves air where the player asks for call and answer', () => {
		const line = {
			...NO_LINE,
			grid: 'eighth' as const,
			talk: [
				{ section: null, play: 1, air: 1 },
				{ section: 'Tail', play: 3, air: 1 }
			]
		};
		const { notes, targets } = planned({ line });
		const bars = new Set(notes.map((note) => Math.floor(note.tick / 1920) + 1));
		expect([...bars]).toEqual([1, 3, 5, 6, 7]);
		for (const note of notes) {
			expect(note.tick + note.durationTicks).toBeLessThanOrEqual(
				(Math.floor(note.tick / 1920) + 1) * 1920
			);
		}
		expect(targets.map((target) => target.change)).toEqual([0, 2, 3, 4, 5]);
		// A landing that is locked there is played all the same.
		const lock = { bar: 2, beat: 1, pass: 1, string: 3, fret: 6 };
		const locked = planned({ line, anchors: { ...NO_ANCHORS, locks: [lock] } });
		expect(locked.notes.some((note) => note.tick === 1920)).toBe(true);
	});

	it('plays with a slide on one fret, or moves it with the roots', () => {
		const chart = 'key: D mixolydian\ntuning: open-d\n| D7 | G7 | D7 | A7 |';
		const line = { ...NO_LINE, grid: 'eighth' as const, slide: 1 as const };
		const frets = (over: Partial<typeof NO_LINE>, position = 12) => {
			const made = runRoute(
				request({ line: { ...line, ...over }, position, style: 'roots' }, chart)
			);
			if ('error' in made) throw new Error(made.error[0].message);
			return made.value.targets.map((target) => target.fret);
		};
		expect(frets({})).toEqual([12, 12, 12, 12]);
		expect(frets({ block: true })).toEqual([12, 17, 12, 7]);
		expect(frets({ block: true }, 1)).toEqual([0, 5, 0, 7]);
		// With the fingers the hand moves by the same frets.
		const { windows } = planned({ line: { ...NO_LINE, block: true } });
		expect(windows.map((window) => window.position)).toEqual([6, 11, 6, 8, 1, 6, 1]);
		// A place that is left out binds only where the slide lies on it.
		const forbid = [{ string: 4, fret: 17 }];
		const anchors = { ...NO_ANCHORS, forbid };
		const made = runRoute(request({ line, position: 12, anchors }, chart));
		expect('value' in made).toBe(true);
	});

	it('fills the bars between, also where landings breathe', () => {
		const talk = [{ section: null, play: 1, air: 1 }];
		const line = { ...NO_LINE, grid: 'eighth' as const, cell: 'breath', talk };
		const { notes } = planned({ line });
		for (const bar of [1, 3, 5, 7]) {
			const inside = notes.filter((note) => Math.floor(note.tick / 1920) + 1 === bar);
			expect(inside.length, `bar ${bar}`).toBeGreaterThan(3);
		}
	});

	it('leaves places out, near the hand or not', () => {
		const first = planned().targets[0];
		const far = { string: 1, fret: 20 };
		const forbid = [{ string: first.string, fret: first.fret }, far];
		const { targets } = planned({ anchors: { ...NO_ANCHORS, forbid } });
		expect(targets.some((t) => t.string === first.string && t.fret === first.fret)).toBe(false);
	});

	it('ranks the landings of a change where the hand is, with every wish in mind', () => {
		const line = { ...NO_LINE, places: [{ section: 'Tail', position: 11 }] };
		const list = runLandings(request({ line }), 3);
		expect(list.length).toBeGreaterThan(4);
		expect(list.every((landing) => landing.fret >= 10 && landing.fret <= 15)).toBe(true);
		const roam = { ...NO_LINE, roam: { frets: 5, wish: 'climb' as const } };
		const whole = planned({ line: roam });
		const window = whole.windows.findLast((entry) => entry.change <= 4);
		for (const landing of runLandings(request({ line: roam }), 4)) {
			expect(Math.abs(landing.fret - 1.5 - (window?.position ?? 0))).toBeLessThanOrEqual(2.5);
		}
		const leans = [{ bar: 5, beat: 1, pass: 1, wish: 'rest' as const }];
		const root = (anchors = NO_ANCHORS) =>
			runLandings(request({ anchors }), 3).find((landing) => landing.role === 'R')?.extra ?? 0;
		expect(root({ ...NO_ANCHORS, leans })).toBeLessThan(root());
		expect(runLandings(request({}, '???'), 0)).toEqual([]);
		expect(runLandings(request(), 99)).toEqual([]);
	});

	it('gives plans that are truly different', () => {
		const made = runAlternatives(request(), 5);
		if ('error' in made) throw new Error('no plans');
		expect(made.value.length).toBeGreaterThan(1);
		const [first, second] = made.value;
		const changed = first.targets.filter((target, i) => target.midi !== second.targets[i].midi);
		expect(changed.length).toBeGreaterThanOrEqual(2);
		expect('error' in runAlternatives(request({}, '???'), 5)).toBe(true);
	});

	it('takes own notes where nothing is landed on, and before the first landing', () => {
		const at = (bar: number) => ({ bar, beat: 1, pass: 1 });
		const own = (offset: number, fret: number) => ({ offset, durationTicks: 240, string: 3, fret });
		const frozen = [{ ...at(1), notes: [own(0, 8), own(240, 7)] }];
		const letPass = [{ ...at(1), own: true }];
		const line = { ...NO_LINE, grid: 'eighth' as const };
		const fingers = [{ ...at(1), offset: 240, string: 3, fret: 7, finger: 4 }];
		const { notes, targets } = planned({
			line,
			anchors: { ...NO_ANCHORS, frozen, letPass, fingers }
		});
		expect(targets[0].change).toBe(1);
		expect(notes.slice(0, 3)).toMatchObject([
			{ tick: 0, name: 'Eb', role: null, finger: 3 },
			{ tick: 240, name: 'D', role: '3', finger: 4 },
			{ tick: 1920, kind: 'target' }
		]);
	});
});
