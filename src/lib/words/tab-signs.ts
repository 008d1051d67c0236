/** Signs of tab as they are typed, read and written, with what they mean. */
export const TAB_SIGNS: readonly (readonly [sign: string, means: string])[] = [
	['5h7 7p5', 'hammer-on, pull-off'],
	['4/6 6\\4', 'slide from one note to the next'],
	['/6 \\6', 'slide into a note from nowhere'],
	['9\\ 9/', 'slide away from a note'],
	['7b9', 'bend, here a whole tone; 7b is one too'],
	['7b9r7', 'bend and let down again'],
	['7B9', 'bent before it is struck'],
	['7-b9 9-r7', 'bend into, down from, as a note of its own'],
	['7^', 'curl: a quarter tone up'],
	['7~', 'vibrato'],
	['7t 7t9', 'trill with the next note, with fret 9'],
	['t12', 'tap'],
	['(5)/7 (5)7', 'a grace note before it'],
	['x x7', 'dead note'],
	['7m', 'palm mute; PM---- over the rows too'],
	["7'", 'short'],
	['7_', 'let ring; “let ring---” over the rows too'],
	['7d 7u', 'down-stroke, up-stroke'],
	['=', 'the string rings on while others are struck'],
	['.', 'the string falls silent']
];

/** The same for note names. */
export const NAME_SIGNS: readonly (readonly [sign: string, means: string])[] = [
	['E4 A', 'a note; without an octave the nearest one'],
	['<E4 A4>', 'two notes at once, or more'],
	['<-E4 A4>', 'E4 rings on, A4 is struck'],
	['-', 'hold on'],
	['.', 'silence']
];
