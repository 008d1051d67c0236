import { buildScale } from '$core/harmony';
import { parseNote } from '$core/pitch';
import type { Playing } from '$core/route';
import { describe, expect, it } from 'vitest';
import {
	neighbourOf,
	nextBend,
	nextGrace,
	nextHammer,
	nextSlide,
	nextSound,
	nextStroke,
	toggleRelease,
	togglePreBend,
	toggleTrill,
	toggleVibrato,
	type PlayContext
} from './play-edit';

const STRUCK: Partial<Playing> = { technique: null };
const alone: PlayContext = { from: null, fret: 7, neighbour: 2 };
const after: PlayContext = { from: 5, fret: 7, neighbour: 2 };
type Change = (note: Partial<Playing>, context: PlayContext) => Partial<Playing>;

/** What a note is after each press of a key, until it is what it was. */
function round(change: Change, context: PlayContext, from = STRUCK): Partial<Playing>[] {
	const found: Partial<Playing>[] = [];
	for (let note = change(from, context); ; note = change(note, context)) {
		if (JSON.stringify(note) === JSON.stringify(from)) return found;
		if (found.length > 8) throw new Error('never comes round');
		found.push(note);
	}
}

describe('how a note is played', () => {
	it.each<[string, Change, PlayContext, Partial<Playing>[]]>([
		[
			'slides from nowhere, and away',
			nextSlide,
			alone,
			[
				{ technique: 'slide-from-below' },
				{ technique: 'slide-from-above' },
				{ technique: null, also: ['slide-away-up'] },
				{ technique: null, also: ['slide-away-down'] }
			]
		],
		[
			'is hammered on to from a lower fret, or tapped',
			nextHammer,
			after,
			[{ technique: 'hammer-on' }, { technique: 'tap' }]
		],
		[
			'is pulled off to from a higher one',
			nextHammer,
			{ ...after, from: 9 },
			[{ technique: 'pull-off' }, { technique: 'tap' }]
		],
		[
			'is bent by a quarter, a half, one, one and a half tones',
			nextBend,
			alone,
			[
				{ technique: 'curl' },
				{ bend: 1, technique: 'bend' },
				{ bend: 2, technique: 'bend' },
				{ bend: 3, technique: 'bend' }
			]
		],
		['is shaken', toggleVibrato, alone, [{ technique: 'vibrato' }]],
		[
			'is short, dead, ringing, muted',
			nextSound,
			alone,
			[
				{ technique: null, also: ['staccato'] },
				{ technique: null, also: ['dead'] },
				{ technique: null, also: ['let-ring'] },
				{ technique: null, also: ['palm-mute'] }
			]
		],
		[
			'is struck down and up',
			nextStroke,
			alone,
			[
				{ technique: null, also: ['down-stroke'] },
				{ technique: null, also: ['up-stroke'] }
			]
		],
		[
			'has a grace note',
			nextGrace,
			alone,
			[
				{ technique: null, grace: 5 },
				{ technique: null, grace: 6 },
				{ technique: null, grace: 9 }
			]
		]
	])('%s, and comes round', (_, change, context, expected) => {
		expect(round(change, context)).toEqual(expected);
	});

	it('slides first from the note before, where one rings', () => {
		expect(round(nextSlide, after)[0]).toEqual({ technique: 'slide' });
	});

	it('keeps what else it does', () => {
		const shaken: Partial<Playing> = { technique: 'vibrato' };
		expect(nextSlide(shaken, after)).toEqual({ technique: 'slide', also: ['vibrato'] });
		expect(nextBend(nextBend(shaken, alone), alone)).toEqual({
			technique: 'bend',
			also: ['vibrato'],
			bend: 1
		});
		const bent = nextBend(nextBend(STRUCK, alone), alone);
		const down = togglePreBend(toggleRelease(bent));
		expect(down).toEqual({ technique: 'pre-bend', also: ['release'], bend: 1 });
		expect(nextBend(down, alone)).toEqual({ technique: 'pre-bend', also: ['release'], bend: 2 });
		expect(togglePreBend(toggleRelease(down))).toEqual(bent);
		expect([toggleRelease(STRUCK), togglePreBend(STRUCK)]).toEqual([STRUCK, STRUCK]);
	});

	it('is not bent on an open string', () => {
		expect(nextBend(STRUCK, { ...alone, fret: 0 })).toBe(STRUCK);
	});

	it('is trilled with the next note of the scale', () => {
		const tonic = parseNote('A');
		const scale = tonic && buildScale(tonic, 'minor pentatonic');
		// A goes on to C, three semitones on; E to G; G to A, a whole tone.
		expect([69, 64, 67].map((midi) => neighbourOf(scale, midi))).toEqual([3, 3, 2]);
		expect(neighbourOf(null, 60)).toBe(2);
		const trilled = toggleTrill(STRUCK, { ...alone, neighbour: 3 });
		expect(trilled).toEqual({ technique: 'trill', trill: 3 });
		expect(toggleTrill(trilled, alone)).toEqual(STRUCK);
	});
});
