import type { Also, Technique } from '../../route';
import { ARTICULATIONS, CURL, ORNAMENTS, STROKES } from './notes';
import { midiOf, type PartState } from './part';
import { all, child, numberAt, textAt, type XmlNode } from './xml';

/** A note as a measure has it, with what its notations say. */
export type RawNote = {
	readonly tick: number;
	readonly durationTicks: number;
	readonly midi: number;
	readonly staff: number;
	readonly voice: string;
	readonly place: { readonly string: number; readonly fret: number } | null;
	readonly finger: number | null;
	readonly tied: { readonly from: boolean; readonly on: boolean };
	/** How it is reached or struck. */
	readonly struck: Technique | null;
	readonly also: readonly Also[];
	/** Semitones of its trill, where the file says so. */
	readonly trill: number | null;
	/** Semitones that it is bent by; `held` is bent from its beginning, `released` is let down again. */
	readonly bend: {
		readonly semitones: number;
		readonly held: boolean;
		readonly released: boolean;
	} | null;
	/** A quarter tone. */
	readonly curled: boolean;
	/** It takes no time: it leads to the note after it. */
	readonly grace: boolean;
	readonly graceFret: number | null;
};

const typed = (nodes: readonly XmlNode[], type: string): boolean =>
	nodes.some((node) => node.attributes.type === type);

function bendOf(technical: readonly XmlNode[]): Pick<RawNote, 'bend' | 'curled'> {
	const bends = technical.flatMap((node) => all(node, 'bend'));
	const alters = bends.map((node) => numberAt(node, 'bend-alter') ?? 0);
	const up = Math.max(0, ...alters);
	const semitones = up > CURL ? up : Math.max(0, ...alters.map((alter) => -alter));
	const has = (name: string) => bends.some((node) => child(node, name) !== undefined);
	const released = has('release');
	return {
		curled: alters.some((alter) => alter > 0 && alter <= CURL),
		bend:
			semitones > CURL && semitones <= 4
				? { semitones: Math.round(semitones), held: has('pre-bend'), released }
				: null
	};
}

/** Reads a note; null for a rest and for what has no pitch. */
export function rawNote(
	node: XmlNode,
	tick: number,
	durationTicks: number,
	state: PartState
): RawNote | null {
	const pitch = child(node, 'pitch');
	const grace = child(node, 'grace') !== undefined;
	if (!pitch || (durationTicks <= 0 && !grace)) return null;
	const written = midiOf(
		textAt(pitch, 'step'),
		numberAt(pitch, 'alter'),
		numberAt(pitch, 'octave')
	);
	if (written === null) return null;
	const midi = written + state.transpose.semitones;
	if (midi < 0 || midi > 127) return null;
	const notations = all(node, 'notations');
	const inside = (name: string) => notations.flatMap((entry) => all(entry, name));
	const technical = inside('technical');
	const marks = (name: string) => technical.flatMap((entry) => all(entry, name));
	const ornaments = inside('ornaments');
	const [string = NaN] = marks('string').map((entry) => Number(entry.text));
	const [fret = NaN] = marks('fret').map((entry) => Number(entry.text));
	const [finger = NaN] = marks('fingering').map((entry) => Number(entry.text));
	const placed = Number.isInteger(string) && Number.isInteger(fret) && string >= 1 && fret >= 0;
	const ties = [...all(node, 'tie'), ...inside('tied')];
	const slides = [...inside('slide'), ...inside('glissando')];
	const articulations = inside('articulations');
	const told = ornaments.flatMap((entry) => all(entry, 'other-ornament')).map(({ text }) => text);
	const [, trill = null] = told.flatMap(
		(text) => new RegExp(`^${ORNAMENTS.trill} ([1-4])$`).exec(text) ?? []
	);
	const articulated = (name: string) => articulations.some((entry) => child(entry, name));
	const struck: Technique | null = typed(marks('hammer-on'), 'stop')
		? 'hammer-on'
		: typed(marks('pull-off'), 'stop')
			? 'pull-off'
			: typed(slides, 'stop')
				? 'slide'
				: marks('tap').length > 0
					? 'tap'
					: articulated(ARTICULATIONS['slide-from-below'])
						? 'slide-from-below'
						: articulated(ARTICULATIONS['slide-from-above'])
							? 'slide-from-above'
							: null;
	const trilled = ornaments.some((entry) => child(entry, 'trill-mark'));
	const wavy = ornaments.some((entry) => typed(all(entry, 'wavy-line'), 'start'));
	const also: Also[] = [];
	const add = (one: Also, is: boolean) => is && also.push(one);
	add('trill', trilled);
	add('vibrato', (wavy && !trilled) || told.includes(ORNAMENTS.vibrato));
	add('slide-away-up', articulated(ARTICULATIONS['slide-away-up']));
	add('slide-away-down', articulated(ARTICULATIONS['slide-away-down']));
	add('staccato', articulated(ARTICULATIONS.staccato));
	add('palm-mute', textAt(node, 'play', 'mute') === 'palm');
	add('dead', textAt(node, 'notehead') === 'x');
	add('let-ring', typed(inside('tied'), 'let-ring'));
	add('down-stroke', marks(STROKES['down-stroke']).length > 0);
	add('up-stroke', marks(STROKES['up-stroke']).length > 0);
	return {
		tick,
		durationTicks,
		midi,
		staff: numberAt(node, 'staff') ?? 1,
		voice: textAt(node, 'voice') || '1',
		place: placed ? { string, fret } : null,
		finger: finger >= 1 && finger <= 4 ? finger : null,
		tied: { from: typed(ties, 'stop'), on: typed(ties, 'start') },
		struck,
		also,
		trill: trill === null ? null : Number(trill),
		...bendOf(technical),
		grace,
		graceFret: null
	};
}
