import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { parseChart } from '../../chart';
import { sameMusic } from '../embedded';
import { linesOn, onePiece, pieceOf, plannedPiece, TEXTS, toRead } from '../test-pieces';
import { FIELDS } from './write';
import { readMusicXml, writeMusicXml } from '.';
import { runs } from '../../test-runs';

const withoutOwnText = (xml: string) =>
	xml.replace(
		new RegExp(`<miscellaneous-field name="${FIELDS.chart}">[^<]*<`),
		'<miscellaneous-field name="x"><'
	);

describe('MusicXML, written and read again', () => {
	it.each(Object.entries(TEXTS))(
		'the chart %s: its text, and without it the same music',
		(_, text) => {
			const piece = pieceOf(text);
			for (const repeats of ['unfolded', 'kept'] as const) {
				const xml = writeMusicXml(piece, repeats);
				expect(onePiece(readMusicXml(xml)).chart?.trim()).toBe(text.trim());
				const bare = onePiece(readMusicXml(withoutOwnText(xml))).chart ?? '';
				expect([bare, sameMusic(parseChart(text), parseChart(bare))]).toEqual([bare, true]);
			}
		}
	);

	it.each([
		['blues', 240],
		['waltz', 120],
		['ladder', 160],
		['turning', 20],
		['repeats', 80],
		['tuned', 60]
	] as const)('any line over %s', (name, unit) => {
		fc.assert(
			fc.property(linesOn(TEXTS[name], unit), (piece) => {
				const read = onePiece(readMusicXml(writeMusicXml(piece)));
				expect(read.notes).toEqual(piece.notes.map(toRead));
				expect(read.lineName).toBe('A line');
			}),
			{ numRuns: runs(60) }
		);
	});

	it.each([
		['ferry', 'eighth'],
		['minor', 'sixteenth'],
		['waltz', 'triplet'],
		['ladder', 'quarter']
	] as const)('the planned line over %s in %ss', (name, grid) => {
		const piece = plannedPiece(TEXTS[name], grid);
		const xml = writeMusicXml(piece);
		expect(onePiece(readMusicXml(xml)).notes).toEqual(piece.notes.map(toRead));
		// The same each time.
		expect(writeMusicXml(piece)).toBe(xml);
	});

	it('draws a slide as a plain line from the note before, a slur where a finger makes the note', () => {
		const piece = pieceOf('title: Two\nkey: C\n| C |');
		const note = (tick: number, fret: number, technique: 'slide' | 'hammer-on' | null) => ({
			...{ tick, durationTicks: 480, string: 3, fret, midi: 55 + fret, finger: null, technique },
			name: fret === 5 ? 'C' : fret === 7 ? 'D' : 'E'
		});
		const notes = [note(0, 5, null), note(480, 7, 'slide'), note(960, 9, 'hammer-on')];
		const xml = writeMusicXml({ ...piece, notes });
		const slides = [...xml.matchAll(/<slide [^>]*>/g)].map(([mark]) => mark);
		// On the staff and on the tab under it.
		expect(slides).toHaveLength(4);
		for (const mark of slides) expect(mark).toContain('line-type="solid"');
		expect([...xml.matchAll(/<slur [^>]*>/g)]).toHaveLength(4);
	});

	it('keeps repeats where every time through is alike, and plays them out where not', () => {
		const text = 'key: C\n[A x3]\n| C | F |\n[B]\n|: G | 1. C :| 2. F |\n';
		const count = (xml: string) => xml.match(/<measure /g)?.length;
		expect(count(writeMusicXml(pieceOf(text)))).toBe(10);
		const kept = writeMusicXml(pieceOf(text), 'kept');
		expect(count(kept)).toBe(5);
		expect(kept).toContain('<repeat direction="backward" times="3"/>');
		expect(kept).toContain('<ending number="1" type="start"/>');
		const note = {
			durationTicks: 480,
			string: 3,
			fret: 5,
			midi: 60,
			name: 'C',
			finger: 1,
			technique: null
		};
		const once = pieceOf(text, [{ ...note, tick: 0 }]);
		expect(count(writeMusicXml(once, 'kept'))).toBe(10);
		const each = pieceOf(
			text,
			[0, 3840, 7680].map((tick) => ({ ...note, tick }))
		);
		const again = writeMusicXml(each, 'kept');
		expect(count(again)).toBe(5);
		expect(onePiece(readMusicXml(again)).notes).toEqual(each.notes.map(toRead));
	});

	it('takes its own text only while the measures say the same', () => {
		const xml = writeMusicXml(pieceOf(TEXTS.ferry));
		const changed = xml.replace('<root-step>E</root-step>', '<root-step>A</root-step>');
		const { chart } = onePiece(readMusicXml(changed));
		expect(chart).toContain('| Bb7 | Ab7 | Bb7 |');
		expect(chart).not.toContain('quick change');
	});
});

const score = (
	measures: string,
	parts = '<score-part id="P1"><part-name>Voice</part-name></score-part>'
) =>
	`<?xml version="1.0"?>
<!DOCTYPE score-partwise PUBLIC "-//Recordare//DTD MusicXML 4.0 Partwise//EN" "http://www.musicxml.org/dtds/partwise.dtd">
<score-partwise version="4.0"><movement-title>Ferry &amp; Lamp</movement-title><part-list>${parts}</part-list><part id="P1">${measures}</part></score-partwise>`;
const head = (more = '') =>
	`<attributes><divisions>2</divisions><key><fifths>-2</fifths><mode>minor</mode></key><time><beats>3</beats><beat-type>4</beat-type></time>${more}</attributes>`;
const note = (step: string, duration: number, more = '') =>
	`<note><pitch><step>${step}</step><octave>4</octave></pitch><duration>${duration}</duration>${more}</note>`;
const harmony = (step: string, kind: string) =>
	`<harmony><root><root-step>${step}</root-step></root><kind>${kind}</kind></harmony>`;

describe('MusicXML from elsewhere', () => {
	it('reads a pickup, melody and chords, and says what it leaves out', () => {
		const reading = readMusicXml(
			score(
				`<measure number="0" implicit="yes">${head()}<sound tempo="96"/>${note('D', 2)}</measure>
				<measure number="1">${harmony('G', 'minor')}${note('G', 4)}<note><grace/><pitch><step>A</step><octave>4</octave></pitch></note>${harmony('C', 'minor-sixth')}${note('B', 4, '<chord/>').replace(/(<note>)(.*)(<chord\/>)/, '$1$3$2')}${note('E', 2)}</measure>
				<measure number="2"><barline location="left"><repeat direction="forward"/></barline>${harmony('D', 'dominant')}${note('F', 6, '<tie type="start"/>')}</measure>
				<measure number="3">${note('F', 2, '<tie type="stop"/>')}<note><rest/><duration>4</duration></note><barline location="right"><repeat direction="backward"/></barline></measure>`
			)
		);
		if ('error' in reading) throw new Error(reading.error);
		const [piece] = reading.value.pieces;
		expect(piece.chart).toBe(
			'title: Ferry & Lamp\nkey: G minor\ntime: 3/4\ntempo: 96\n\n| N.C. | Gm Cm6 |\n|: D7 | % :|\n'
		);
		expect(piece.notes.map(({ tick, durationTicks, midi }) => [tick, durationTicks, midi])).toEqual(
			[
				[960, 480, 62],
				[1440, 960, 67],
				[1440, 960, 71],
				[2400, 480, 64],
				[2880, 1920, 65],
				[5760, 1920, 65]
			]
		);
		expect(reading.value.leftOut).toEqual(['One grace note is left out.']);
	});

	it('reads measures that hold parts, a transposing part, a bend of one note, two voices', () => {
		const lists =
			'<score-part id="P1"><part-name>Horn</part-name></score-part><score-part id="P2"><part-name>Bells</part-name></score-part>';
		const text = `<score-timewise version="4.0"><part-list>${lists}</part-list>
			<measure number="1"><part id="P1">${head('<transpose><diatonic>-1</diatonic><chromatic>-2</chromatic></transpose>')}
			${harmony('D', 'dominant-ninth')}${note('D', 4, '<voice>1</voice><notations><technical><bend><bend-alter>2</bend-alter></bend></technical></notations>')}${note('E', 2, '<voice>1</voice>')}
			<backup><duration>2</duration></backup>${note('C', 2, '<voice>2</voice>')}</part><part id="P2">${note('C', 6)}</part></measure></score-timewise>`;
		const reading = readMusicXml(text);
		if ('error' in reading) throw new Error(reading.error);
		expect(reading.value.pieces[0].chart).toContain('| C9 |');
		// B flat in G minor's signature, a whole tone lower: F minor.
		expect(reading.value.pieces[0].chart).toContain('key: F minor');
		expect(
			reading.value.pieces[0].notes.map(({ tick, midi, technique }) => [tick, midi, technique])
		).toEqual([
			[0, 60, 'bend'],
			[960, 62, null]
		]);
		expect(reading.value.leftOut).toEqual([
			'Other parts are left out: “Bells”. The line is “Horn”.',
			'One note of a second voice is left out.'
		]);
	});

	it('reads odd signatures, bars of another length, endings and jumps', () => {
		const bar = (inner: string) => `<measure number="1">${inner}</measure>`;
		const cut = head().replace('<beats>3</beats><beat-type>4', '<beats>2</beats><beat-type>2');
		const ending = (n: string) =>
			`<barline location="left"><ending number="${n}" type="start"/></barline>`;
		const back = '<barline location="right"><repeat direction="backward"/></barline>';
		const reading = readMusicXml(
			score(
				bar(`${cut}${harmony('C', 'major')}${note('C', 8)}`) +
					bar(`${harmony('F', 'major')}${note('C', 6)}<sound dacapo="yes"/>`) +
					bar(`${ending('1')}${note('C', 8)}${back}`) +
					bar(`${ending('2')}${harmony('G', 'dominant')}${note('C', 8)}`)
			)
		);
		if ('error' in reading) throw new Error(reading.error);
		expect(reading.value.pieces[0].chart?.split('\n\n')[1]).toBe(
			'| C |\n{3/4} | F |\n{4/4} | 1. % :|\n| 2. G7 |\n'
		);
		expect(reading.value.leftOut).toHaveLength(1);
		expect(reading.value.pieces[0].notes.map(({ tick }) => tick)).toEqual([
			0, 1920, 3360, 5280, 7200, 8640
		]);
	});

	it.each([
		['<html><body/></html>', 'begins with <html>'],
		['<score-partwise version="4.0"><part-list/></score-partwise>', 'neither chords nor notes'],
		['no xml at all', 'XML']
	])('refuses %s', (text, why) => {
		const reading = readMusicXml(text);
		expect('error' in reading && reading.error).toContain(why);
	});
});
