import fc from 'fast-check';
import { strFromU8, strToU8, zipSync } from 'fflate';
import { describe, expect, it } from 'vitest';
import { parseChart } from '../chart';
import { writeChordPro } from './chord-pro-write';
import { writeMidiPiece } from './midi';
import { packMxl, writeMusicXml } from './music-xml';
import { readFile } from './read-file';
import { writeTabPage } from './tab-page';
import { plannedPiece, TEXTS } from './test-pieces';

/** Files that are whole, by the name that they are sent with. */
const piece = plannedPiece(TEXTS.ferry, 'eighth');
const repeated = plannedPiece(TEXTS.repeats, 'eighth');
const WHOLE: readonly (readonly [string, Uint8Array])[] = [
	['a.musicxml', strToU8(writeMusicXml(piece))],
	['b.xml', strToU8(writeMusicXml({ ...repeated, notes: [] }, 'kept'))],
	['c.mxl', packMxl(writeMusicXml(piece))],
	['d.mid', writeMidiPiece(piece)],
	['e.cho', strToU8(writeChordPro(repeated.chart, repeated.text))],
	['f.txt', strToU8(writeTabPage(piece))],
	['g.txt', strToU8('Song\n\n[Verse]\nC    G7/B  Am\nwords and words\n| F  C/E | Dm7 |\nmore\n')]
];
/** More when they are asked for: `VITE_HOSTILE_RUNS=5000`. */
const RUNS = Number(import.meta.env.VITE_HOSTILE_RUNS ?? 25);
/** Changes of a file: bytes replaced, cut out, doubled, or joined with others. */
const wounds = fc.array(
	fc.record({
		how: fc.constantFrom('replace', 'cut', 'double', 'insert', 'end', 'swap'),
		at: fc.double({ min: 0, max: 1, noNaN: true }),
		length: fc.integer({ min: 1, max: 400 }),
		byte: fc.integer({ min: 0, max: 255 }),
		text: fc.constantFrom(
			'<',
			'>',
			'&',
			'999999999',
			'-1',
			'|',
			'%',
			'[',
			'{',
			'\0',
			'NaN',
			'1e308',
			'𝄫',
			'\n',
			'<!--',
			']]>'
		)
	}),
	{ minLength: 1, maxLength: 6 }
);
type Wound = { how: string; at: number; length: number; byte: number; text: string };

function wounded(bytes: Uint8Array, list: readonly Wound[]): Uint8Array {
	let now = [...bytes];
	for (const { how, at, length, byte, text } of list) {
		const from = Math.floor(at * now.length);
		if (how === 'replace') now[from] = byte;
		else if (how === 'cut') now.splice(from, length);
		else if (how === 'double') now.splice(from, 0, ...now.slice(from, from + length));
		else if (how === 'insert') now.splice(from, 0, ...strToU8(text));
		else if (how === 'end') now = now.slice(0, from);
		else now.splice(from, 2, now[from + 1] ?? 0, now[from] ?? 0);
	}
	return Uint8Array.from(now);
}

/** Reads a file, which must end in a reading that holds together. */
function sane(name: string, bytes: Uint8Array): void {
	const reading = readFile(name, bytes);
	if ('error' in reading) {
		expect(reading.error).toMatch(/\S/);
		return;
	}
	for (const { chart, notes } of reading.value.pieces) {
		if (chart !== null) expect(parseChart(chart).played.length).toBeLessThanOrEqual(2048);
		let before = 0;
		for (const { tick, durationTicks, midi } of notes) {
			expect(tick).toBeGreaterThanOrEqual(before);
			expect(durationTicks).toBeGreaterThan(0);
			expect(midi).toBeGreaterThanOrEqual(0);
			expect(midi).toBeLessThanOrEqual(127);
			before = tick;
		}
	}
}

describe('files that are damaged or mean harm', { timeout: 300_000 }, () => {
	it.each(WHOLE)('%s, changed anywhere, is read or refused', (name, bytes) => {
		fc.assert(
			fc.property(wounds, (list) => sane(name, wounded(bytes, list))),
			{ numRuns: RUNS }
		);
	});

	it.each(WHOLE)('%s under the name of every other kind is read or refused', (_, bytes) => {
		for (const [name] of WHOLE) sane(name, bytes);
	});

	it('any bytes at all are read or refused', () => {
		const name = fc.constantFrom(...WHOLE.map(([each]) => each));
		fc.assert(fc.property(name, fc.uint8Array({ maxLength: 600 }), sane), { numRuns: RUNS });
		fc.assert(
			fc.property(name, fc.string({ unit: 'binary', maxLength: 600 }), (each, text) =>
				sane(each, strToU8(text))
			),
			{ numRuns: RUNS }
		);
	});

	it('an archive is looked through as far as its 256th file', () => {
		const container = strToU8(
			'<container><rootfiles><rootfile full-path="a.xml"/></rootfiles></container>'
		);
		const archive = (before: number) =>
			zipSync({
				...Object.fromEntries(
					Array.from({ length: before }, (_, i) => [`other/${i}.txt`, new Uint8Array(0)])
				),
				'META-INF/container.xml': container,
				'a.xml': strToU8(writeMusicXml(piece))
			});
		expect(readFile('a.mxl', archive(254))).toHaveProperty('value');
		expect(readFile('a.mxl', archive(255))).toHaveProperty('error');
		expect(readFile('a.mxl', archive(300))).toHaveProperty('error');
	});

	it('an archive that unpacks to very much is refused before it is unpacked', () => {
		const bomb = zipSync({
			'META-INF/container.xml': strToU8(
				'<container><rootfiles><rootfile full-path="a.xml"/></rootfiles></container>'
			),
			'a.xml': new Uint8Array(16 * 1024 * 1024)
		});
		expect(bomb.byteLength).toBeLessThan(20_000);
		expect(readFile('a.mxl', bomb)).toEqual({
			error: '“a.xml” in the archive is larger than 8 MiB.'
		});
		// One that lies about its size is still no larger.
		const lying = Uint8Array.from(bomb);
		for (let i = 0; i + 4 < lying.length; i++) {
			if (lying[i] === 0 && lying[i + 1] === 0 && lying[i + 2] === 0 && lying[i + 3] === 1) {
				lying.set([0, 4, 0, 0], i);
			}
		}
		sane('a.mxl', lying);
	});

	it('entities are not read, whatever they stand for', () => {
		const laughs = `<?xml version="1.0"?><!DOCTYPE score-partwise [<!ENTITY a "ha"><!ENTITY b "&a;&a;&a;">]><score-partwise><work><work-title>&b;</work-title></work></score-partwise>`;
		const outside = laughs.replace('"ha"', 'SYSTEM "file:///etc/passwd"');
		for (const text of [laughs, outside]) {
			const reading = readFile('a.musicxml', strToU8(text));
			expect('error' in reading && reading.error).toContain('entities');
		}
	});

	it('long and deep files end soon', () => {
		const score = strFromU8(WHOLE[0][1]);
		const measure = /<measure number="2">[\s\S]*?<\/measure>/.exec(score)?.[0] ?? '';
		sane('a.musicxml', strToU8(score.replace(measure, measure.repeat(600))));
		sane('a.musicxml', strToU8(`<score-partwise>${'<part>'.repeat(100_000)}`));
		sane('a.cho', strToU8(`{title: x}\n${'[C]la '.repeat(40_000)}`));
		sane('a.txt', strToU8(`${'C '.repeat(125_000)}\n`));
		sane('a.txt', strToU8(`e|${'-5'.repeat(20_000)}|\n`.repeat(6)));
		sane('a.txt', strToU8(`e|${'-5|'.repeat(13_000)}\n`.repeat(6)));
		sane('a.txt', strToU8(`${'('.repeat(150_000)}\n| ${'C7('.repeat(20_000)} |\n`));
	});

	it.each([
		['x.exe', 'Files named “.exe” are not read'],
		['noending', 'Files named “.” are not read'],
		['a.mid', 'empty'],
		['a.musicxml', 'empty']
	])('%s tells why not', (name, why) => {
		const reading = readFile(name, new Uint8Array(0));
		expect('error' in reading && reading.error).toContain(why);
	});
});
