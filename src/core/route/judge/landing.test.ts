import { describe, expect, it } from 'vitest';
import { parseChart } from '../../chart';
import { scaleInUse } from '../../harmony';
import { standardGuitar } from '../../neck';
import { scalesAlong } from '../scale-plan';
import { checkLine } from './check';
import type { Colours, PlayedNote } from './types';

const TEXT = 'key: C\nscale: C major\n| C | F | Am7 | Dm7 |';

function check(notes: readonly PlayedNote[], colours?: Colours) {
	const chart = parseChart(TEXT);
	const { scale } = scaleInUse(chart);
	const scales = scalesAlong(chart, scale, 'one');
	const instrument = standardGuitar();
	return checkLine({ chart, instrument, scales, position: null, notes, colours });
}
/** A note of a line: beat from 0, beats long, pitch, and more. */
const note = (beat: number, beats: number, midi: number, more: Partial<PlayedNote> = {}) => ({
	...{ tick: 480 * beat, durationTicks: 480 * beats, midi },
	...more
});
const [C, D, E, F, G, A, B] = [60, 62, 64, 65, 67, 69, 71];
const [, second] = [0, 1];
const atF = (notes: readonly PlayedNote[], colours?: Colours) =>
	check([note(0, 1, C), ...notes], colours).changes[second];

describe('ornaments land', () => {
	it.each<[string, PlayedNote[]]>([
		['slid into a chord tone', [note(4, 0.5, G), note(4.5, 1, A, { technique: 'slide' })]],
		['hammered', [note(4, 0.25, B), note(4.25, 1, C + 12, { technique: 'hammer-on' })]],
		['pulled', [note(4, 0.5, G), note(4.5, 1, F, { technique: 'pull-off' })]],
		['bent as a note of its own', [note(4, 0.5, G), note(4.5, 1, A, { technique: 'bend' })]],
		['bent itself', [note(4, 1, G, { technique: 'bend', bend: 2 })]],
		['bent before it is struck', [note(4, 1, G, { technique: 'pre-bend', bend: 2 })]],
		[
			'in two moves within an eighth',
			[
				note(4, 0.25, E, { string: 3 }),
				note(4.25, 0.25, G, { string: 3, technique: 'hammer-on' }),
				note(4.5, 1, A, { string: 3, technique: 'slide' })
			]
		]
	])('%s', (_, notes) => {
		expect(atF(notes)).toMatchObject({ result: 'landed', fix: null });
		expect(['3', 'R', '5']).toContain(atF(notes).role);
	});

	it('with the tone that they come to', () => {
		const slid = [note(4, 0.5, G), note(4.5, 1, A, { technique: 'slide' })];
		expect(atF(slid)).toMatchObject({ midi: A, name: 'A', role: '3' });
		expect(atF([note(4, 1, G, { technique: 'bend', bend: 2 })])).toMatchObject({ midi: A });
	});

	it.each<[string, PlayedNote[], string]>([
		['struck again', [note(4, 0.5, G), note(4.5, 1, A)], 'late'],
		[
			'after more than an eighth',
			[note(4, 0.75, G), note(4.75, 1, A, { technique: 'slide' })],
			'late'
		],
		[
			'on another string',
			[note(4, 0.5, G, { string: 2 }), note(4.5, 1, A, { string: 1, technique: 'slide' })],
			'late'
		],
		['after a rest', [note(4, 0.25, G), note(4.5, 1, A, { technique: 'hammer-on' })], 'late'],
		['bent away from the chord', [note(4, 2, F, { technique: 'bend', bend: 2 })], 'missed'],
		['muted', [note(4, 1, F, { also: ['dead'] })], 'silent']
	])('but not %s', (_, notes, result) => {
		expect(atF(notes).result).toBe(result);
	});
});

describe('colours', () => {
	const ninth = [note(4, 2, G), note(6, 1, F)];

	it('are a miss, lean, or land: as the player says', () => {
		expect(atF(ninth)).toMatchObject({ result: 'missed', role: null });
		expect(atF(ninth).fix).not.toBeNull();
		expect(atF(ninth, 'lean')).toMatchObject({ result: 'leaning', role: '9', midi: G, fix: null });
		const leaning = check([note(0, 1, C), ...ninth], 'lean');
		const landing = check([note(0, 1, C), ...ninth], 'land');
		expect(landing.changes[second].result).toBe('leaning');
		expect(landing.metrics.landedShare - leaning.metrics.landedShare).toBeCloseTo(1 / 4);
		expect(leaning.verdict).toMatch(/One leans on a colour/);
	});

	it('that are resolved within a beat come late, and the advice says what they are', () => {
		const late = atF([note(4, 1, G), note(5, 1, F)], 'lean');
		expect(late.result).toBe('late');
		expect(late.fix?.text).toContain('G (the ninth, a colour)');
		expect(atF([note(4, 1, G), note(5, 1, F)]).fix?.text).not.toContain('colour');
	});

	it('that the scale does not call so stay a miss: a clash, a note from outside', () => {
		// B♭ is no note of C major; F over A minor clashes with its fifth.
		expect(atF([note(4, 2, 70)], 'lean').result).toBe('missed');
		const over = check([note(8, 2, F)], 'lean');
		expect(over.changes[2].result).toBe('missed');
	});
});

describe('several notes at one time', () => {
	it('land with the highest tone, and tell the others', () => {
		const both = atF([note(4, 1, F, { string: 4 }), note(4, 1, A, { string: 3 })]);
		expect(both).toMatchObject({ result: 'landed', role: '3', midi: A });
		expect(both.beside).toMatchObject([{ role: 'R', name: 'F' }]);
	});

	it('land where one of them is a tone', () => {
		const mixed = atF([note(4, 1, F, { string: 4 }), note(4, 1, G, { string: 3 })]);
		expect(mixed).toMatchObject({ result: 'landed', role: 'R', beside: [{ role: '9' }] });
	});

	it('do not follow one another: no leap, no step between them', () => {
		const { metrics, clashes } = check([
			note(0, 1, C, { string: 5 }),
			note(0, 1, C + 12, { string: 2 }),
			// B over F clashes with nothing; E beside it is left by step.
			note(4, 1, E, { string: 4 }),
			note(4, 1, C + 12, { string: 2 }),
			note(5, 1, F, { string: 4 }),
			note(5, 1, C + 12, { string: 2 })
		]);
		expect(metrics.largestLeap).toBe(0);
		expect(clashes.filter(({ resolved }) => !resolved)).toEqual([]);
	});

	it('are muted without a word', () => {
		const { changes, metrics } = check([
			note(0, 1, C),
			note(0, 1, D, { string: 6, also: ['dead'] })
		]);
		expect(changes[0].beside).toEqual([]);
		expect(metrics.outsideShare).toBe(0);
	});
});
