import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { parseChart } from '../chart';
import { scaleInUse } from '../harmony';
import { chordsPlayed, blockWindows } from './block';
import {
	inWindow,
	instrumentOf,
	lastPosition,
	standardGuitar,
	windowPlaces,
	withSlide,
	type Instrument
} from '../neck';
import { CELLS } from './line/cells';
import { planWhole } from './plan-lines';
import { STYLES, type Style } from './types';
import { runs } from '../test-runs';

/** A slide tune of our own in D A D F♯ A D. */
const ROPE =
	'key: D mixolydian\ntempo: 92\ntuning: open-d\n| D7 | % | G7 | D7 | A7 | G7 | D7 | % |';

type Wish = {
	readonly text?: string;
	readonly frets?: 1 | 2;
	readonly position?: number;
	readonly style?: Style;
	readonly block?: boolean;
};
function plan({ text = ROPE, frets = 1, position = 12, style = 'nearest', block = true }: Wish) {
	const chart = parseChart(text);
	const { scale } = scaleInUse(chart);
	const { instrument: guitar } = instrumentOf(chart);
	const instrument = withSlide(guitar, frets, {
		...{ scale, from: block ? position : null, chords: chordsPlayed(chart) }
	});
	const windows = block ? blockWindows(chart, instrument, position) : undefined;
	const request = { chart, instrument, scale, position, style, windows };
	const [whole] = planWhole(
		{ ...request, locks: [], forbid: [], letPass: [] },
		{ grid: 'eighth', cellOf: () => CELLS[0], scalePlan: 'one' }
	);
	return { ...whole, chart, instrument, windows };
}
const fretsOf = (notes: readonly { fret: number }[]) =>
	[...new Set(notes.map((note) => note.fret))].sort((a, b) => a - b);

describe('a slide on the neck', () => {
	const at = (instrument: Instrument, position: number) =>
		fretsOf(windowPlaces(instrument, position));

	it('lies on one fret straight across, at the nut on the open strings', () => {
		const guitar = withSlide(standardGuitar(), 1);
		expect(at(guitar, 5)).toEqual([5]);
		expect(windowPlaces(guitar, 5)).toHaveLength(6);
		expect(at(guitar, 1)).toEqual([0]);
		expect(inWindow(guitar, 5, { string: 2, fret: 6 })).toBe(false);
		expect(windowPlaces(guitar, 5).every((place) => !place.reach)).toBe(true);
	});

	it('takes the second fret that adds most of the scale', () => {
		const chart = parseChart(ROPE);
		const { instrument } = instrumentOf(chart);
		const two = withSlide(instrument, 2, { scale: scaleInUse(chart).scale });
		// D A D F♯ A D, two frets under it C G C E G C: all that mixolydian has but B.
		expect(at(two, 10)).toEqual([10, 12]);
		expect(at(two, 1)).toEqual([0, 2]);
		expect(at(withSlide(instrument, 2), 5)).toEqual([5, 7]);
		// As a block both frets keep their distance wherever they go, as long as the neck has both.
		const block = withSlide(instrument, 2, { scale: scaleInUse(chart).scale, from: 10 });
		expect([1, 3, 15, 21].map((position) => at(block, position))).toEqual([
			[0, 2],
			[3, 5],
			[15, 17],
			[21]
		]);
	});
});

describe('the second fret of a slide', () => {
	it('holds the thirds of as many chords as any other near it would', () => {
		for (const tuning of ['open-d', 'open-g', 'open-e', 'dadgad', 'standard']) {
			for (const bars of ['D | G | A', 'Am | F | C | G', 'Em | Em | B7 | Am', 'G7 | C7 | D7']) {
				const chart = parseChart(`tuning: ${tuning}\n| ${bars} |`);
				const { instrument } = instrumentOf(chart);
				const { scale } = scaleInUse(chart);
				const chords = chordsPlayed(chart);
				const thirds = chords.map(
					({ tones }) => tones.find(({ role }) => /^b?3$/.test(role))?.pc ?? -1
				);
				const held = (frets: readonly number[]) =>
					thirds.filter((pc) =>
						frets.some((fret) =>
							instrument.open.some((open) => (open + instrument.capo + fret) % 12 === pc)
						)
					).length;
				const two = withSlide(instrument, 2, { scale, chords });
				for (const position of [1, 3, 5, 7, 12]) {
					const [fret] = two.slide?.[position] ?? [];
					const most = Math.max(...[1, 2, 3].map((k) => held([fret, fret + k])));
					expect(held(two.slide?.[position] ?? []), `${tuning} ${bars} at ${position}`).toBe(most);
				}
			}
		}
	});

	it('moves with a minor chord to where its third lies, as a block too', () => {
		// Over open D a minor third lies one fret under the major one, three over the root.
		const chart = parseChart('tuning: open-d\n| Dm | Gm | Am | Dm |');
		const { plan: made } = plan({
			...{ text: 'tuning: open-d\n| Dm | Gm | Am | Dm |', frets: 2, position: 12 }
		});
		expect(made.warnings.filter(({ message }) => /no third/.test(message))).toEqual([]);
		expect(chart.changes.length).toBeGreaterThan(2);
	});
});

describe('moving as a block', () => {
	const positions = (text: string, position: number, slide: boolean, from = 0) => {
		const guitar = standardGuitar();
		const held = slide ? withSlide(guitar, 1) : guitar;
		return blockWindows(parseChart(text), held, position, from);
	};

	it('goes as far as the root, by the shorter way, and stays on the neck', () => {
		expect(positions('| D7 | G7 | A7 | Ab7 |', 12, true)).toEqual([12, 17, 7, 6]);
		expect(positions('| D7 | G7 | A7 |', 5, false)).toEqual([5, 10, 5]);
		expect(positions('| Eb | B | Eb |', 6, false, 1)).toEqual([10, 6, 10]);
		expect(positions('| N.C. |', 6, false)).toEqual([]);
	});

	it('counts the open strings as a fret under a slide', () => {
		expect(positions('| D7 | G7 | A7 | Eb7 | D7 |', 1, true)).toEqual([1, 5, 7, 13, 1]);
	});
});

describe('a line under a slide', () => {
	it('says of every chord whose third none of its frets holds, and of no other', () => {
		const TEXTS = [
			ROPE,
			ROPE.replace('tuning: open-d\n', ''),
			'tuning: open-g\n| G | Em | C | D |'
		];
		for (const text of TEXTS) {
			for (const block of [true, false]) {
				for (const frets of [1, 2] as const) {
					for (const position of [3, 7, 12]) {
						const {
							plan: made,
							chart,
							instrument,
							windows
						} = plan({ text, frets, position, block });
						const told = new Set(
							made.warnings.flatMap(({ message }) => /no third of (\S+) /.exec(message)?.[1] ?? [])
						);
						for (const { index, to } of chart.changes) {
							const third = to.chord.tones.find(({ role }) => /^b?3$/.test(role));
							const places = windowPlaces(instrument, windows?.[index] ?? position);
							const held = places.some(({ midi }) => midi % 12 === third?.pc);
							if (!held) expect(told, `${to.symbol} at ${position}`).toContain(to.symbol);
						}
						const missing = chart.changes.filter(({ index, to }) => {
							const third = to.chord.tones.find(({ role }) => /^b?3$/.test(role));
							const places = windowPlaces(instrument, windows?.[index] ?? position);
							return !places.some(({ midi }) => midi % 12 === third?.pc);
						});
						expect([...told].sort()).toEqual(
							[...new Set(missing.map(({ to }) => to.symbol))].sort()
						);
					}
				}
			}
		}
	});

	it('stays on one fret, or moves over the neck with the chords', () => {
		const still = plan({ block: false });
		expect(fretsOf(still.notes)).toEqual([12]);
		const moved = plan({ style: 'roots' });
		expect(fretsOf(moved.notes)).toEqual([7, 12, 17]);
		expect(moved.plan.targets.map((target) => target.name)).toEqual([
			...['D', 'G', 'D', 'A', 'G', 'D']
		]);
		for (const target of moved.plan.targets) {
			expect(target.fret).toBe(moved.windows?.[target.change]);
		}
	});

	it('slides along a string from fret to fret, and never hammers, bends or trills', () => {
		const { notes } = plan({ frets: 2, position: 10, style: 'guide-tones' });
		const told = new Set(notes.map((note) => note.technique));
		expect(told).toContain('slide');
		notes.forEach((note, i) => {
			expect([null, 'slide', 'vibrato', 'curl']).toContain(note.technique);
			expect(note.finger).toBeNull();
			if (note.technique !== 'slide') return;
			const before = notes[i - 1];
			expect(before.string).toBe(note.string);
			expect(before.fret).not.toBe(note.fret);
			expect(before.tick + before.durationTicks).toBe(note.tick);
		});
	});

	it('keeps to its frets in any tuning, style and place, and lands where there is a tone', () => {
		const tunings = ['open-d', 'open-g', 'open-e', 'dadgad', 'standard', 'drop-d'];
		fc.assert(
			fc.property(
				fc.record({
					tuning: fc.constantFrom(...tunings),
					frets: fc.constantFrom<1 | 2>(1, 2),
					style: fc.constantFrom(...STYLES),
					block: fc.boolean(),
					position: fc.integer({ min: 1, max: lastPosition(standardGuitar()) }),
					bars: fc.constantFrom('D7 | G7 | A7 | D7', 'Am | F | C/E | G', 'Ebm7b5 | Ab7 | Db | %')
				}),
				({ tuning, bars, ...wish }) => {
					const text = `tuning: ${tuning}\n| ${bars} |`;
					const { notes, chart, instrument, windows, plan: made } = plan({ ...wish, text });
					for (const note of notes) {
						const change = chart.changes.findLast((entry) => entry.tick <= note.tick);
						const position = windows?.[change?.index ?? 0] ?? wish.position;
						expect(inWindow(instrument, position, note)).toBe(true);
						if (note.fret === 0) expect(note.technique).toBeNull();
					}
					const served = new Set(made.targets.map((target) => target.change));
					for (const { index, to } of chart.changes) {
						const position = windows?.[index] ?? wish.position;
						const has = windowPlaces(instrument, position).some(({ midi }) =>
							to.chord.tones.some((tone) => tone.pc === midi % 12)
						);
						expect(served.has(index)).toBe(has);
					}
				}
			),
			{
				numRuns: runs(150),
				examples: [
					// The hand moves away from a pitch that comes again within two beats.
					[
						{
							...{ tuning: 'drop-d', frets: 2, style: 'mirror', block: true, position: 9 },
							bars: 'Am | F | C/E | G'
						}
					]
				]
			}
		);
	});
});
