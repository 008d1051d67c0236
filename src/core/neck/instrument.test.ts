import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import {
	buildInstrument,
	highestFret,
	instrumentOf,
	lastPosition,
	parseTuning,
	pitchAt,
	presetTuning,
	TUNING_IDS,
	tuningText,
	windowPlaces,
	type OwnInstrument
} from '.';
import { parseChart } from '../chart';

/** Open strings by hand, thickest first, as MIDI numbers. */
const PRESETS: Record<string, readonly number[]> = {
	standard: [40, 45, 50, 55, 59, 64],
	'half-step-down': [39, 44, 49, 54, 58, 63],
	'whole-step-down': [38, 43, 48, 53, 57, 62],
	'drop-d': [38, 45, 50, 55, 59, 64],
	'open-d': [38, 45, 50, 54, 57, 62],
	'open-g': [38, 43, 50, 55, 59, 62],
	'open-e': [40, 47, 52, 56, 59, 64],
	dadgad: [38, 45, 50, 55, 57, 62],
	'all-fourths': [40, 45, 50, 55, 60, 65],
	'seven-string': [35, 40, 45, 50, 55, 59, 64],
	baritone: [35, 40, 45, 50, 54, 59],
	bass: [28, 33, 38, 43]
};

const own: OwnInstrument = {
	...{ name: 'Lantern', tuning: 'D2 A2 D3 F#3 A3 D4', frets: 20, scaleLengthMm: 628 },
	...{ leftHanded: true, labels: ['d', 'a', 'D', 'F', 'A', 'D'] }
};

describe('presets', () => {
	it('are the table', () => {
		expect([...TUNING_IDS].sort()).toEqual(Object.keys(PRESETS).sort());
		for (const [id, wanted] of Object.entries(PRESETS)) {
			expect([...(parseTuning(id)?.open ?? [])].reverse(), id).toEqual(wanted);
			expect(parseTuning(presetTuning(id))?.open).toEqual(parseTuning(id)?.open);
		}
	});

	it('are found as players write them', () => {
		expect(parseTuning(' Drop D ')?.name).toBe('drop-d');
		expect(parseTuning('OPEN G')?.name).toBe('open-g');
		expect(presetTuning('toString')).toBe('');
		expect(parseTuning('constructor')).toBeNull();
	});
});

describe('any tuning', () => {
	const pitch = fc.integer({ min: 24, max: 70 });
	const names = 'C C# D Eb E F F# G Ab A Bb B'.split(' ');
	const write = (midi: number) => `${names[midi % 12]}${Math.floor(midi / 12) - 1}`;

	it('of 4 to 8 pitches is read and written back', () => {
		fc.assert(
			fc.property(fc.array(pitch, { minLength: 4, maxLength: 8 }), (open) => {
				const instrument = buildInstrument(open.map(write).join(' '));
				if (!instrument) throw new Error('not read');
				expect([...instrument.open].reverse()).toEqual(open);
				expect(parseTuning(tuningText(instrument))?.open).toEqual(instrument.open);
				expect(instrument.labels).toHaveLength(open.length);
				for (const place of windowPlaces(instrument, lastPosition(instrument))) {
					expect(place.fret).toBeLessThanOrEqual(highestFret(instrument));
					expect(pitchAt(instrument, place)).toBe(place.midi);
				}
			})
		);
	});

	it('of three or nine, or with a word that is no pitch, is refused', () => {
		for (const text of [
			'E2 A2 D3',
			'E2 '.repeat(9),
			'E2 A2 D3 H3',
			'E A D G',
			'',
			'E2 A2 D3 G99'
		]) {
			expect(parseTuning(text), text).toBeNull();
		}
	});
});

describe('own instruments', () => {
	const on = (chart: string) => instrumentOf(parseChart(chart), [own]).instrument;

	it('serve every chart in their tuning, however it is written', () => {
		for (const line of ['tuning: open-d', 'tuning: D2 A2 D3 Gb3 A3 D4']) {
			expect(on(`${line}\n| D |`)).toMatchObject({
				...{ name: 'Lantern', frets: 20, scaleLengthMm: 628, leftHanded: true },
				labels: ['D', 'A', 'F', 'D', 'a', 'd']
			});
		}
		expect(on('| D |').name).toBe('standard');
	});

	it('keep four frets behind a capo', () => {
		const short = { ...own, frets: 12 };
		const { instrument } = instrumentOf(parseChart('tuning: open-d\ncapo: 12\n| D |'), [short]);
		expect(highestFret(instrument)).toBe(4);
		expect(lastPosition(instrument)).toBe(1);
	});

	it('leave a tuning that does not read to the usual guitar', () => {
		const { instrument, diagnostic } = instrumentOf(parseChart('tuning: odd\n| D |'), [own]);
		expect(instrument.name).toBe('standard');
		expect(diagnostic?.message).toContain('is not a tuning');
	});
});
