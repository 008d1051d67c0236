import chordsheet from 'chordsheetjs';
import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { parseChart } from '../chart';
import { sameMusic } from './embedded';
import { linesOn, onePiece, pieceOf, plannedPiece, TEXTS, toRead } from './test-pieces';
import { readChordPro } from './chord-pro';
import { writeChordPro } from './chord-pro-write';
import { readChordsOverWords, readPlainText } from './plain-text';
import { writeTabPage } from './tab-page';
import { runs } from '../test-runs';

const leftOut = (reading: ReturnType<typeof readChordPro>) => {
	if ('error' in reading) throw new Error(reading.error);
	return reading.value.leftOut;
};
const bars = (chart: string | null) => (chart ?? '').split('\n\n').slice(1).join('\n\n');

describe('ChordPro', () => {
	it.each(Object.entries(TEXTS))('of %s gives the chart back as it was written', (_, text) => {
		const written = writeChordPro(parseChart(text), text);
		expect(onePiece(readChordPro(written)).chart?.trimEnd()).toBe(text.trimEnd());
		// Without its own lines the grids say the same, pushes aside.
		const bare = written.replace(/^\{x_arc_step_chart:.*\n/gm, '');
		const found = parseChart(onePiece(readChordPro(bare)).chart ?? '');
		expect([bare, sameMusic(parseChart(text), found, 'written')]).toEqual([bare, true]);
	});

	it.each(Object.entries(TEXTS))('of %s is read by another program', (_, text) => {
		const chart = parseChart(text);
		const song = new chordsheet.ChordProParser().parse(writeChordPro(chart, text));
		expect(song.title).toBe(chart.headers.title ?? 'Untitled tune');
		expect(song.tempo).toBe(String(chart.headers.tempo));
		const rows = song.lines.flatMap((line) =>
			line.type === 'grid'
				? line.items.flatMap((item) => ('string' in item ? [String(item.string)] : []))
				: []
		);
		const cells = rows.flatMap((row) =>
			row
				.split('|')
				.map((cell) => cell.trim())
				.filter(Boolean)
		);
		expect(cells).toHaveLength(chart.played.length);
		const chords = cells.flatMap((cell) => cell.split(' ').filter((word) => word !== '.'));
		expect(chords).toEqual(chart.events.map(({ symbol }) => symbol));
	});

	it('leaves its own lines when the grids say something else', () => {
		const written = writeChordPro(parseChart(TEXTS.ferry), TEXTS.ferry).replace(
			'| Bb7 . . . | Eb7',
			'| Bb7 . . . | Ab7'
		);
		const { chart } = onePiece(readChordPro(written));
		expect(chart).toContain('| Bb7 | Ab7 |');
	});

	it('from elsewhere: sections, words left out, a bar for each chord, repeats of a grid', () => {
		const reading = readChordPro(
			`{title: Lamp Song}
{subtitle: someone}
{key: Em}
{time: 2/2}
{tempo: 80}
{capo: 2}
# a comment
{start_of_verse: Verse 1}
[Em]Lamps on the [D/F#]water
[*softly]and [G]never a sound
{end_of_verse}
{soc}
|[C] light | [D] [B7] |
{eoc}
{start_of_grid label="Solo" shape="4x4"}
|: Em . . . | C . D . :| 
|1 Am7 . . . :|2 B7 . . . |.
{end_of_grid}
{define: Em frets 0 2 2 0 0 0}
`
		);
		const { chart } = onePiece(reading);
		expect(chart).toBe(
			`title: Lamp Song
key: E minor
time: 4/4
tempo: 80
capo: 2

[Verse 1]
| Em | D/F# | G |

[Chorus]
| C | D B7 |

[Solo]
|: Em | C D :|
| 1. Am7 :|
| 2. B7 |
`
		);
		expect(leftOut(reading)).toEqual([
			'The file does not say how long chords last: each has a bar of its own.',
			'The directive “define” is left out.',
			'Subtitle and names are left out.',
			'3 lines of words are left out.'
		]);
	});

	it('without a chord is refused', () => {
		expect(readChordPro('{title: x}\nonly words\n')).toEqual({
			error: 'There is no chord in this file.'
		});
	});
});

describe('chords over words', () => {
	it('are bars, with sections, key and tempo; the words are left out', () => {
		const reading = readChordsOverWords(
			`Lamp Song
Key: Bb
Tempo: 92

[Verse]
Bb        Gm7
Lamps are out upon the water
| Eb   F7 | Bb |
never a sound

Chorus:
Cm7  F7sus4  N.C.
A word that is no chord
`
		);
		expect(onePiece(reading).chart).toBe(
			`title: Lamp Song
key: Bb major
time: 4/4
tempo: 92

[Verse]
| Bb | Gm7 | Eb F7 | Bb |

[Chorus]
| Cm7 | F7sus4 | N.C. |
`
		);
		expect(leftOut(reading)).toEqual([
			'The file does not say how long chords last: each has a bar of its own.',
			'3 lines of words are left out.'
		]);
	});
});

describe('a text file', () => {
	it.each(Object.entries(TEXTS))('with the chart %s is that chart', (_, text) => {
		expect(onePiece(readPlainText(text)).chart).toBe(text);
	});

	it('with a slip in a chart is still a chart, and says where', () => {
		const reading = readPlainText('key: C\n| C | F | Gx7 | C |\n| Am | Dm | G | C |\n');
		expect(onePiece(reading).chart).toContain('Gx7');
		expect(leftOut(reading)[0]).toMatch(/^Line 2: .*Gx7/);
	});

	it.each(['blues', 'waltz', 'repeats', 'turning', 'tuned'] as const)(
		'with chart and tab over %s loses nothing',
		(name) => {
			fc.assert(
				fc.property(linesOn(TEXTS[name], 160), (piece) => {
					const read = onePiece(readPlainText(writeTabPage(piece)));
					expect(read.chart?.trimEnd()).toBe(TEXTS[name].trimEnd());
					expect(read.notes).toEqual(piece.notes.map(toRead));
					expect(read.lineName).toBe('A line');
				}),
				{ numRuns: runs(40) }
			);
		}
	);

	it('with a planned line is a page to play from', () => {
		const piece = { ...plannedPiece(TEXTS.minor, 'eighth', 9) };
		const page = writeTabPage(piece);
		const rows = page.split('\n').filter((row) => /^[eBGDAE] *\|/.test(row));
		expect(rows.length % 6).toBe(0);
		expect(Math.max(...page.split('\n').map((row) => row.length))).toBeLessThanOrEqual(100);
		expect(page).toMatch(/\n {3}F#m +D +E\n {3}1 +2 +3 +4 +1 +2/);
		expect(page).toContain('fingers');
	});

	it('of tab by hand: chords above the rows, bars and tuning from what stands there', () => {
		const reading = readPlainText(
			`Title: Pier Walk
Tempo: 84

   Am                 F        G
e|-----------------|-----------------|
B|---------5h8-----|-----------------|
G|-----5-7-----7-5-|-5---------------|
D|-7---------------|-----7-------5~--|
A|-----------------|-----------------|
E|-----------------|-----------------|
`
		);
		const piece = onePiece(reading);
		expect(piece.chart).toBe('title: Pier Walk\ntime: 4/4\ntempo: 84\n\n| Am | F G |\n');
		expect(piece.notes.map(({ midi, technique }) => [midi, technique])).toEqual([
			[57, null],
			[60, null],
			[62, null],
			[64, null],
			[67, 'hammer-on'],
			[62, null],
			[60, null],
			[60, null],
			[57, null],
			[55, 'vibrato']
		]);
	});

	it('of tab alone has a line and no tune', () => {
		const rows = [
			'e|-0---3---|',
			'B|---------|',
			'G|---------|',
			'D|---------|',
			'A|---------|',
			'E|---------|'
		];
		const piece = onePiece(readPlainText(rows.join('\n')));
		expect(piece.chart).toBeNull();
		expect(piece.notes.map(({ tick, midi }) => [tick, midi])).toEqual([
			[0, 64],
			[960, 67]
		]);
	});

	it.each(['', 'nothing to see', '|||', 'e|--|'])('with %j in it is refused', (text) => {
		expect('error' in readPlainText(text)).toBe(true);
	});
});

it('a page without a line is the chart', () => {
	const { chart, text } = pieceOf(TEXTS.ferry);
	expect(sameMusic(chart, parseChart(onePiece(readPlainText(text)).chart ?? ''))).toBe(true);
	expect(bars(text)).toContain('[Head]');
});
