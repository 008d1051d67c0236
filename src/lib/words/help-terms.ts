import type { Role } from '$core/chord';
import { TAB_SIGNS } from './tab-signs';

/** The marks of a tone: what is drawn, and what it says. */
export const MARKS: readonly {
	marks: { now?: Role; next?: Role; ink?: Role };
	label: string;
	says: string;
	target?: boolean;
}[] = [
	{ marks: { now: '5' }, label: '5', says: 'filled, warm: in the chord that sounds now' },
	{ marks: { next: '5' }, label: '5', says: 'hollow, cool: in the chord that comes next' },
	{
		marks: { now: '5', next: 'R' },
		label: '',
		says: 'cut across: in both, each half in its own role'
	},
	{ marks: { ink: 'R' }, label: 'R', says: 'diamond: the root' },
	{ marks: { ink: '3' }, label: '3', says: 'shield: a guide tone, third or seventh' },
	{ marks: { ink: '5' }, label: '5', says: 'disc: the fifth' },
	{ marks: { ink: '9' }, label: '9', says: 'hexagon: an extension or alteration' },
	{
		marks: { ink: 'bass' },
		label: 'B',
		says: 'disc on a bar: a bass note that is no chord tone'
	},
	{ marks: { ink: '3' }, label: '3', target: true, says: 'a second outline: the landing' }
];
/** Marks of the scale and of what moves, as SVG paths round a point. */
export const SMALL = [
	{
		path: 'M-9,0H9',
		kind: 'dash',
		says: 'dash: a note of the scale in use that is in neither chord'
	},
	{
		path: 'M-9,-4H9M-9,4H9',
		kind: 'double',
		says: 'two dashes: the tone that tells the scale apart from plain major or minor'
	},
	{ path: 'M-9,4Q0,-9 9,4', kind: 'bent', says: 'bent and dotted: it clashes; move on from it' },
	{
		path: 'M-6,0H6M0,-6V6',
		kind: 'plus',
		says: 'plus at a mark: the scale in use lacks this tone'
	},
	{
		path: 'M-14,0H12m-5,-4l5,4l-5,4',
		kind: 'move',
		says: 'arrow: this tone moves by a semitone on its string'
	}
] as const;
/** Words of the field as the screens use them. */
export const TERMS = [
	['change', 'the moment when the sounding chord becomes another. The first chord counts.'],
	['role', 'what a note is in its chord: R, 3, 5, ♭7 and so on.'],
	[
		'guide tones',
		'the third and the seventh; in a suspended chord the suspended tone, in a sixth chord third and sixth.'
	],
	[
		'position',
		'the fret of the index finger. Four frets lie under the fingers; one back and one on can be reached.'
	],
	['window', 'all the places that a position reaches.'],
	['scale in use', 'the notes that you draw on at the moment.'],
	['box', 'the notes of a scale in one position: every pitch once, few reaches.'],
	['form', 'E, D, C, A or G: the open chord whose outline an arpeggio shape keeps.'],
	['roll', 'one finger plays two neighbouring strings on one fret, one after the other.'],
	[
		'home, colour, passing, clash',
		'how a scale note sits on a chord: its own tone, a consonant extension, for motion only, or against it. Advice, never a prohibition.'
	],
	[
		'hidden arpeggio',
		'an arpeggio of another chord whose notes all lie in the scale in use; over the chord of the moment its notes are other roles.'
	],
	['target', 'the chord tone chosen to sound at a change.'],
	['route', 'a plan for one tune in one place, with its targets.'],
	['motif', 'a few notes kept as steps and time, so that they can be laid over any chord.'],
	['call, answer', 'the same opening twice, with another landing the second time.'],
	['air', 'bars that are left to the others.'],
	['drill', 'bars of a tune at a place, in a key, by rules, up a tempo ladder.'],
	['pass', 'one playing of a drill. Clean: every change lands and no rule is broken.'],
	['take', 'a pass as it is kept in the log.'],
	[
		'landed, held, early, late, missed, silent',
		'a chord tone on its moment; one struck before that still sounds; one let go too soon; one within a beat after; only other notes; nothing.'
	],
	['higher, lower', 'always pitch. On the neck it is toward the nut and toward the body.']
] as const;
/** How a line is written as text. */
/** How lists and tables are worked. */
export const TABLES = [
	[
		'order',
		'A press on the name of a column puts a table in its order; again, the other way round. Tunes are back in playing order at the third press.'
	],
	[
		'width',
		'Drag the edge of a column’s head, or reach it with Tab and use ← →. A double click, or Home, lets the table decide again.'
	],
	['long lists', 'Scales, tunings, tunes and chords are found by typing, once the list is open.']
] as const;

export const LINES = [
	['e|--7---8h9-.--|', 'tab: a row a string, thinnest on top; one column is one moment'],
	...TAB_SIGNS.map(([sign, means]) => [sign, `in tab: ${means}`] as const),
	['| D4 F Ab - . G |', 'names share the time of their bar; a dash holds, a point is silent'],
	['D4  or  D', 'with its octave as it sounds, or the pitch nearest to the note before'],
	['<D4 F4>  <-D4 A4>', 'names at one time; D4 rings on while A4 is struck']
] as const;
/** How a chart is written. */
export const ROWS = [
	[
		'title: …, key: …, scale: …, time: …',
		'header lines, all optional, before the first bar; also tempo, feel, tuning, capo'
	],
	['[Head x2]', 'a section, played twice'],
	['| Bb7 | Eb7 G7 |', 'bars; chords share a bar by its beats'],
	['| Bb7 . . G7 |', 'a point holds for one share: three beats and one'],
	['%', 'the bar before once more'],
	['|: … :|  and  :| x3', 'a repeat, twice or three times'],
	['1.  2.', 'first and second ending, at the start of a bar'],
	['<Eb7  <<Eb7', 'pushed an eighth, a sixteenth early'],
	['{3/4}', 'another time signature from here'],
	['N.C.', 'silence'],
	['I IV7 V7/ii', 'numerals, once the key is set'],
	['// words', 'a comment']
] as const;
