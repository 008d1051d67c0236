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
	/** Reached from the note before. */
	readonly reached: 'hammer-on' | 'pull-off' | 'slide' | null;
	readonly shaken: 'vibrato' | 'trill' | null;
	/** Semitones that it is bent by; `held` is bent from its beginning. */
	readonly bend: { readonly semitones: number; readonly held: boolean } | null;
};

const typed = (nodes: readonly XmlNode[], type: string): boolean =>
	nodes.some((node) => node.attributes.type === type);

function bendOf(technical: readonly XmlNode[]): RawNote['bend'] {
	const bends = technical.flatMap((node) => all(node, 'bend'));
	const [bend] = bends;
	if (!bend) return null;
	const semitones = Math.max(...bends.map((node) => numberAt(node, 'bend-alter') ?? 0));
	return semitones > 0 && semitones <= 4
		? { semitones, held: bends.some((node) => child(node, 'pre-bend') !== undefined) }
		: null;
}

/** Reads a note; null for a rest and for what has no pitch. */
export function rawNote(
	node: XmlNode,
	tick: number,
	durationTicks: number,
	state: PartState
): RawNote | null {
	const pitch = child(node, 'pitch');
	if (!pitch || durationTicks <= 0) return null;
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
	const reached = typed(marks('hammer-on'), 'stop')
		? 'hammer-on'
		: typed(marks('pull-off'), 'stop')
			? 'pull-off'
			: typed(slides, 'stop')
				? 'slide'
				: null;
	const trill = ornaments.some((entry) => child(entry, 'trill-mark'));
	const wavy = ornaments.some((entry) => typed(all(entry, 'wavy-line'), 'start'));
	return {
		tick,
		durationTicks,
		midi,
		staff: numberAt(node, 'staff') ?? 1,
		voice: textAt(node, 'voice') || '1',
		place: placed ? { string, fret } : null,
		finger: finger >= 1 && finger <= 4 ? finger : null,
		tied: { from: typed(ties, 'stop'), on: typed(ties, 'start') },
		reached,
		shaken: trill ? 'trill' : wavy ? 'vibrato' : null,
		bend: bendOf(technical)
	};
}
