import { engrave, type Chord } from '$core/chord';
import * as fontkit from 'fontkit';
import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import { projectRoot } from '../paths';
import type { Face, Font, Ink } from './ink';
import { toSfnt } from './sfnt';

const NEXT = '@fontsource/atkinson-hyperlegible-next/files/atkinson-hyperlegible-next-latin';
const MONO = '@fontsource/atkinson-hyperlegible-mono/files/atkinson-hyperlegible-mono-latin';
const BESLEY = '@fontsource/besley/files/besley-latin';
const DEJAVU = '@fontsource/dejavu-sans/files/dejavu-sans-latin';
/** Where the fonts lie that a page is set in and that go into its file. */
const FILES: Readonly<Record<Font, string>> = {
	title: `${BESLEY}-800-normal.woff`,
	quiet: `${BESLEY}-600-normal.woff`,
	text: `${NEXT}-400-normal.woff`,
	strong: `${NEXT}-700-normal.woff`,
	tab: `${MONO}-700-normal.woff`,
	count: `${MONO}-400-normal.woff`,
	signs: '@fontsource/noto-music/files/noto-music-music-400-normal.woff',
	plain: `${DEJAVU}-400-normal.woff`,
	plainStrong: `${DEJAVU}-700-normal.woff`,
	score: '@coderline/alphatab/dist/font/Bravura.otf'
};

const read = new Map<Font, Buffer>();

/** The bytes of a font, unpacked once. */
export function fontFile(font: Font): Buffer {
	const known = read.get(font);
	if (known) return known;
	const fresh = toSfnt(readFileSync(join(projectRoot(), 'node_modules', FILES[font])));
	read.set(font, fresh);
	return fresh;
}

/** Who lends a face the signs that it lacks: accidentals of chords as music, those of sentences as text. */
const LENDERS: Readonly<Record<Face, readonly Font[]>> = {
	title: ['title', 'signs', 'plainStrong'],
	quiet: ['quiet', 'signs', 'plainStrong'],
	text: ['text', 'plain', 'signs'],
	strong: ['strong', 'plainStrong', 'signs'],
	tab: ['tab', 'plainStrong', 'signs'],
	count: ['count', 'plain', 'signs'],
	score: ['score']
};

type Opened = Pick<fontkit.Font, 'hasGlyphForCodePoint' | 'layout' | 'unitsPerEm'>;
const opened = new Map<Font, Opened>();
function fontOf(font: Font): Opened {
	const known = opened.get(font);
	if (known) return known;
	const fresh = fontkit.create(fontFile(font)) as fontkit.Font;
	opened.set(font, fresh);
	return fresh;
}

type Run = { readonly font: Font; readonly text: string };

/** A text cut into runs of one font each; a sign that no font has is a question mark. */
function runsOf(text: string, face: Face): Run[] {
	const runs: { font: Font; text: string }[] = [];
	for (const sign of text) {
		const code = sign.codePointAt(0) ?? 0;
		const font = LENDERS[face].find((each) => fontOf(each).hasGlyphForCodePoint(code));
		const last = runs.at(-1);
		const written = font ? sign : '?';
		if (last && last.font === (font ?? face)) last.text += written;
		else runs.push({ font: font ?? face, text: written });
	}
	return runs;
}

const runWidth = ({ font, text }: Run, size: number): number => {
	const { layout, unitsPerEm } = fontOf(font);
	return (layout.call(fontOf(font), text).advanceWidth / unitsPerEm) * size;
};

/** How wide a text is set, in points. */
export const widthOf = (text: string, face: Face, size: number): number =>
	runsOf(text, face).reduce((sum, run) => sum + runWidth(run, size), 0);

/** A line of text, its base line at `y`. */
export function write(
	x: number,
	y: number,
	text: string,
	face: Face,
	size: number,
	{ align = 'start', fill }: { align?: 'start' | 'middle' | 'end'; fill?: number } = {}
): Ink[] {
	const runs = runsOf(text, face);
	const widths = runs.map((run) => runWidth(run, size));
	const whole = widths.reduce((sum, width) => sum + width, 0);
	let at = align === 'start' ? x : align === 'end' ? x - whole : x - whole / 2;
	return runs.map((run, i): Ink => {
		const start = at;
		at += widths[i];
		return { kind: 'text', x: start, y, ...run, size, ...(fill === undefined ? {} : { fill }) };
	});
}

/** Sentences cut into lines that are no wider than they may be. */
export function linesOf(text: string, face: Face, size: number, most: number): string[] {
	const lines: string[] = [];
	for (const word of text.split(' ')) {
		const last = lines.at(-1);
		const longer = last === undefined ? word : `${last} ${word}`;
		if (last !== undefined && widthOf(longer, face, size) <= most) lines[lines.length - 1] = longer;
		else lines.push(word);
	}
	return lines;
}

/** A text that ends in three points where it would be too wide. */
export function fitted(text: string, face: Face, size: number, most: number): string {
	if (widthOf(text, face, size) <= most) return text;
	let short = text;
	while (short.length > 1 && widthOf(`${short}…`, face, size) > most) short = short.slice(0, -1);
	return `${short.trimEnd()}…`;
}

type Part = {
	readonly text: string;
	readonly size: number;
	readonly rise: number;
	readonly by?: Face;
};

/** Extensions, their accidentals as large as their figures. */
const raisedParts = (raised: string, size: number): Part[] =>
	raised
		.split(/([♭♯]+)/)
		.map((text): Part =>
			/[♭♯]/.test(text)
				? { text, size: 0.56 * size, rise: 0.36 * size, by: 'strong' }
				: { text, size: 0.54 * size, rise: 0.36 * size }
		);

/** A chord symbol as it is set: accidental and extensions raised. @returns its marks and how wide it is */
export function chordInk(
	x: number,
	y: number,
	chord: Chord,
	size: number,
	face: 'title' | 'quiet' = 'title'
): { ink: Ink[]; width: number } {
	const { letter, accidental, minor, raised, bass } = engrave(chord);
	const round = raised.startsWith('°');
	const parts: Part[] = [
		{ text: letter, size, rise: 0 },
		{ text: accidental, size: 0.84 * size, rise: 0.2 * size },
		{ text: minor ? 'm' : '', size: 0.74 * size, rise: 0 },
		// The sign of a diminished chord is small by nature.
		{ text: round ? '°' : '', size: 0.92 * size, rise: 0.16 * size },
		...raisedParts(round ? raised.slice(1) : raised, size),
		{ text: bass ? `/${bass}` : '', size: 0.7 * size, rise: 0 }
	];
	const ink: Ink[] = [];
	let at = x;
	for (const { text, size: each, rise, by = face } of parts) {
		if (text === '') continue;
		ink.push(...write(at, y - rise, text, by, each));
		at += widthOf(text, by, each) + 0.02 * size;
	}
	return { ink, width: at - x };
}
