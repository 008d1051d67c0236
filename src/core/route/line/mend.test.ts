import { describe, expect, it } from 'vitest';
import { parseChart, type Chart } from '../../chart';
import { LONG } from '../../test-runs';
import { cellNamed, inKey, planned, requestFor, STEADY } from '../test-lines';
import { planTargets } from '../plan';
import { STYLES, type Style } from '../types';
import type { LineGrid } from './cells';
import type { LineNote } from './types';

/** Kinds of charts that players bring: a song, vamps, a held chord, two changes a bar, one chord alone. */
const CHARTS: Record<string, string> = {
	folk: 'key: D major\ntempo: 96\n| D | G | A7 | D | Bm | Em | A7 | D |',
	vamp: 'key: A dorian\ntempo: 100\n| Am7 | D7 | Am7 | D7 | Am7 | D7 | Am7 | D7 |',
	held: 'key: E minor\ntempo: 92\n| Em7 | % | % | % | Am7 | % | Em7 | B7 |',
	jazz: 'key: Eb major\ntempo: 140\n| Ebmaj7 Cm7 | Fm7 Bb7 | Gm7b5 C7b9 | Fm7 Bb7 |',
	single: 'key: G mixolydian\ntempo: 100\n| G7 | % | % | % |'
};
const SLOTS: Record<string, number> = { eighth: 8, triplet: 12, sixteenth: 16 };
const HALF = 960;

type Fault = (notes: readonly LineNote[], chart: Chart, style: Style) => string | null;

const told = (notes: readonly LineNote[], chart: Chart, from: number, ticks: number) => {
	const inside = notes.filter(({ tick }) => tick >= from && tick < from + ticks);
	return inside.length < 2
		? null
		: inside.map((n) => `${n.tick - from} ${n.midi} ${chart.events[n.chord].symbol}`).join();
};

const FAULTS: Record<string, Fault> = {
	'a pitch at two places within two beats': (notes) => {
		for (const [i, a] of notes.entries()) {
			for (const b of notes.slice(i + 1)) {
				if (b.tick - a.tick >= HALF) break;
				if (a.midi === b.midi && (a.string !== b.string || a.fret !== b.fret)) {
					return `${a.tick}: ${a.string}/${a.fret} and ${b.string}/${b.fret}`;
				}
			}
		}
		return null;
	},
	'one finger a fourth time in a row across strings': (notes) => {
		let run = 1;
		for (const [i, b] of notes.entries()) {
			const a = notes[i - 1];
			const same = a?.finger && a.finger === b.finger && a.string !== b.string;
			run = same && b.tick - a.tick <= 160 ? run + 1 : 1;
			if (run > 3) return `${b.tick}: finger ${b.finger}`;
		}
		return null;
	},
	'a half bar twice in a row': (notes, chart) => {
		for (let from = HALF; from < chart.played.length * 2 * HALF; from += HALF) {
			const here = told(notes, chart, from, HALF);
			if (here && here === told(notes, chart, from - HALF, HALF)) return `${from}: ${here}`;
		}
		return null;
	},
	'two bars of four alike over the same chords': (notes, chart, style) => {
		// A mirror plays one cell everywhere: that is what it is for.
		if (style === 'mirror') return null;
		for (const { startTick, lengthTicks } of chart.played) {
			const here = told(notes, chart, startTick, lengthTicks);
			for (let back = 1; back <= 3; back++) {
				const before = startTick - back * lengthTicks;
				if (here && here === told(notes, chart, before, lengthTicks))
					return `${startTick}: ${here}`;
			}
		}
		return null;
	}
};

describe('a planned line never has', () => {
	const keys = LONG ? [0, 1, 2, 3, 4, 5, 6, 7, 8, 9, 10, 11] : [0, 5];
	it.each(Object.keys(FAULTS))(
		'%s',
		(name) => {
			const found: string[] = [];
			for (const [title, text] of Object.entries(CHARTS)) {
				for (const [k, key] of keys.entries()) {
					const chart = inKey(text, key);
					for (const [s, style] of STYLES.entries()) {
						for (const [g, grid] of Object.keys(SLOTS).entries()) {
							const position = 1 + ((5 * k + 3 * s + 4 * g + 2 * title.length) % 14);
							const cell = cellNamed('steady', SLOTS[grid]);
							const wishes = { ...STEADY, grid: grid as LineGrid, cellOf: () => cell };
							const { line } = planned(requestFor(chart, style, position), wishes);
							const fault = FAULTS[name](line.notes, chart, style);
							if (fault) found.push(`${title} +${key} ${style} ${grid} in ${position}: ${fault}`);
						}
					}
				}
			}
			expect(found).toEqual([]);
		},
		240_000
	);

	it('one of these where the player has set the notes: those stay', () => {
		const chart = parseChart(CHARTS.single);
		const bar = (b: number) =>
			[0, 1, 2, 3].map((i) => ({
				...{ tick: 1920 * b + 480 + 240 * i, durationTicks: 240, string: 3, fret: 4 + (i % 2) }
			}));
		const frozen = [1, 2].map((b) => ({
			...{ from: 1920 * b + 480, to: 1920 * b + 1440, notes: bar(b) }
		}));
		const { line } = planned(requestFor(chart, 'nearest', 4), { ...STEADY, frozen });
		for (const { notes } of frozen) {
			for (const { tick, string, fret } of notes) {
				expect(line.notes.find((note) => note.tick === tick)).toMatchObject({ string, fret });
			}
		}
	});
});

describe('ways between landings a bar apart', () => {
	it.each(STYLES)('turn at most once in nine of ten: %s', (style) => {
		let [ways, direct] = [0, 0];
		for (const text of [CHARTS.folk, CHARTS.vamp, 'key: A\n| A | D | E | A | F#m | D | E | A |']) {
			for (const key of LONG ? [0, 2, 4, 5, 7, 9, 11] : [0, 4, 7]) {
				for (const position of [2, 5, 9, 12]) {
					const { line } = planned(requestFor(inKey(text, key), style, position));
					const starts = line.notes.flatMap(({ kind }, i) => (kind === 'target' ? [i] : []));
					starts.slice(1).forEach((end, k) => {
						const inside = line.notes.slice(starts[k] + 1, end).map(({ midi }) => midi);
						const turns = inside.filter(
							(midi, i) =>
								i > 0 &&
								i + 1 < inside.length &&
								Math.sign(midi - inside[i - 1]) * Math.sign(inside[i + 1] - midi) === -1
						);
						ways++;
						if (turns.length <= 1) direct++;
					});
				}
			}
		}
		expect(ways).toBeGreaterThan(150);
		// A mirror's cell turns where it turns over the first chord.
		expect(direct / ways).toBeGreaterThanOrEqual(style === 'mirror' ? 0.75 : 0.9);
	});
});

describe('a mirror', () => {
	const STEPS = { tone: 'R b3 3 5 b7 7 6 bb7'.split(' ') };
	it('moves its cell with the root, a tone to its kind, or says over which chord it does not', () => {
		for (const key of [0, 2, 3, 5, 7, 10]) {
			for (const scalePlan of ['one', 'follow'] as const) {
				const chart = inKey('key: Eb\n| Eb | Ab | Cm7 | Bb7 | Fm7 | B |', key);
				const { line } = planned(requestFor(chart, 'mirror', 5), {
					...STEADY,
					...{ spice: 0, scalePlan }
				});
				const bar = (b: number) =>
					line.notes.filter(({ tick }) => Math.floor(tick / 1920) === b).slice(0, -1);
				const over = (b: number) => {
					const root = chart.events[b].chord?.tones[0].pc ?? 0;
					return bar(b).map(({ midi }) => (midi - root + 144) % 12);
				};
				const first = over(0);
				const told = new Set(
					line.warnings
						.filter(({ message }) => /cell is adapted/.test(message))
						.map((w) => w.change)
				);
				for (let b = 1; b < 6; b++) {
					const alike = over(b).every((above, i) => {
						const role = bar(b)[i].role;
						const fromFirst = Math.min((above - first[i] + 12) % 12, (first[i] - above + 12) % 12);
						// A tone of the chord may be a semitone off: its third, fifth or seventh is another one.
						return (
							fromFirst === 0 || (role !== null && STEPS.tone.includes(role) && fromFirst <= 2)
						);
					});
					expect(alike || told.has(b), `+${key} ${scalePlan} bar ${b}`).toBe(true);
				}
			}
		}
	});
});

describe('one scale and nothing else', () => {
	const TEXT =
		'key: A\ntempo: 100\nscale: A minor pentatonic\n| A7 | D7 | A7 | E7 | Bm7 | F#m | D | E7 |';
	const pcs = (chart: Chart, style: Style) =>
		requestFor(chart, style, 5).scale?.notes.map(({ pc }) => pc) ?? [];

	it('without chromatic notes takes the way between landings from that scale alone, in twelve keys', () => {
		for (let key = 0; key < 12; key++) {
			const chart = inKey(TEXT, key);
			for (const style of ['roots', 'guide-tones', 'nearest'] as const) {
				const { line } = planned(requestFor(chart, style, 5), { ...STEADY, spice: 0 });
				const own = pcs(chart, style);
				const between = line.notes.filter(({ kind }) => kind !== 'target');
				expect(between.length).toBeGreaterThan(40);
				for (const { midi, tick } of between) {
					expect(own.includes(midi % 12), `+${key} ${style} ${tick}: ${midi}`).toBe(true);
				}
			}
		}
	});

	it('with only these notes lands on them, too, and lets a change pass that has none', () => {
		for (let key = 0; key < 12; key++) {
			const chart = inKey(TEXT, key);
			for (const style of STYLES) {
				const free = requestFor(chart, style, 5);
				const only = chart.events.map(() => free.scale);
				const { line, targets } = planned({ ...free, only }, { ...STEADY, only: true });
				const own = free.scale?.notes.map(({ pc }) => pc) ?? [];
				expect(targets.length).toBeGreaterThan(4);
				for (const { midi, tick } of line.notes) {
					expect(own.includes(midi % 12), `+${key} ${style} ${tick}: ${midi}`).toBe(true);
				}
			}
		}
		// C Eb G: none of them is in the pentatonic of D.
		const chart = parseChart('key: D\nscale: D major pentatonic\n| D | Cm | D |');
		const request = requestFor(chart, 'nearest', 5);
		const only = chart.events.map(() => request.scale);
		const passed = planTargets({ ...request, only });
		const dark = chart.changes.findIndex(({ to }) => to.symbol === 'Cm');
		expect(passed.targets.some(({ change }) => change === dark)).toBe(false);
		expect(passed.warnings.find(({ change }) => change === dark)?.message).toMatch(
			/^No tone of Cm is among the notes of the scale/
		);
		for (const target of passed.targets) {
			expect(request.scale?.notes.some(({ pc }) => pc === target.midi % 12)).toBe(true);
		}
	});
});
