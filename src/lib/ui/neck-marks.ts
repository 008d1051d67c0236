import { roleWords, signs, toneAt, type Chord, type Tone } from '$core/chord';
import { characteristicTones, noteVerdict, type NoteVerdict, type Scale } from '$core/harmony';
import {
	highestFret,
	inWindow,
	pitchAt,
	placeUnder,
	type Instrument,
	type Place
} from '$core/neck';
import { plainName, type Notation } from '$core/pitch';
import { prefs } from '$lib/state/prefs.svelte';

/** A note of the scale in use that is no tone of a chord shown, with its verdict over the sounding one. */
type ScaleMark = NoteVerdict & {
	readonly name: Notation;
	readonly pc: number;
	/** One of the tones that set the scale apart: over a vamp the one to aim at. */
	readonly telling: boolean;
};

/** What one place of the neck shows: the tones it sounds in the two chords, or a note of the scale. */
export type NeckMark = Place & {
	readonly midi: number;
	readonly inside: boolean;
	readonly reach: boolean;
	readonly now: Tone | undefined;
	readonly next: Tone | undefined;
	readonly scale: ScaleMark | undefined;
	/** A chord tone that the scale in use lacks: the box must be edited for it. */
	readonly added: boolean;
};

/** What is drawn: the two chords, and the scale inside the window. */
export type NeckView = {
	readonly now: Chord | null;
	readonly next: Chord | null;
	readonly scale?: Scale | null;
	/** The chord over which scale notes are judged. */
	readonly over?: Chord | null;
	/** Every place of the window, also those that sound nothing of chord or scale. */
	readonly every?: boolean;
};

function scaleMark(view: NeckView, midi: number): ScaleMark | undefined {
	const note = view.scale?.notes.find((entry) => entry.pc === midi % 12);
	if (!note) return undefined;
	const verdict: NoteVerdict = view.over
		? noteVerdict(note.note, view.over, view.next)
		: { verdict: 'passing', role: note.degree, treatment: null };
	const telling = view.scale ? characteristicTones(view.scale).includes(note) : false;
	return { ...verdict, name: note.name, pc: note.pc, telling };
}

/** Every place between two frets that sounds a tone of the chord now or next, or inside a scale note. */
export function neckMarks(
	instrument: Instrument,
	position: number,
	view: NeckView,
	from = 0,
	to = highestFret(instrument)
): NeckMark[] {
	const { now, next, scale = null } = view;
	const marks: NeckMark[] = [];
	for (let string = 1; string <= instrument.open.length; string++) {
		for (let fret = from; fret <= to; fret++) {
			const midi = pitchAt(instrument, { string, fret });
			const tones = {
				now: now ? toneAt(now, midi) : undefined,
				next: next ? toneAt(next, midi) : undefined
			};
			const inside = inWindow(instrument, position, { string, fret });
			const tone = tones.now ?? tones.next;
			const dash = tone || !inside ? undefined : scaleMark(view, midi);
			if (!tone && !dash && !(inside && view.every)) continue;
			const { reach } = placeUnder(instrument, position, { string, fret });
			const added = tone !== undefined && scale !== null && scale !== undefined;
			const lacks = added && !scale.notes.some((note) => note.pc === midi % 12);
			marks.push({ string, fret, midi, inside, reach, ...tones, scale: dash, added: lacks });
		}
	}
	return marks;
}

const VERDICT_WORDS = {
	home: 'in the chord',
	colour: 'colour',
	passing: 'passing',
	clash: 'clash'
};

/** A place in words: "string 2, fret 6, F, third of D♭ now". */
export function placeWords(
	mark: NeckMark,
	now: Chord | null,
	next: Chord | null,
	target: string | null
): string {
	const tone = mark.next ?? mark.now;
	const parts = [`string ${mark.string}`, mark.fret === 0 ? 'open' : `fret ${mark.fret}`];
	if (tone) parts.push(prefs.name(tone.name));
	if (mark.now && now) parts.push(`${roleWords(mark.now.role)} of ${now.symbol}, now`);
	if (mark.next && next) parts.push(`${roleWords(mark.next.role)} of ${next.symbol}, next`);
	if (mark.added) parts.push('not in the scale');
	if (!tone && !mark.scale) parts.push(signs(plainName(mark.midi)), 'outside chord and scale');
	if (mark.scale) {
		parts.push(prefs.name(mark.scale.name));
		parts.push(`scale note, ${VERDICT_WORDS[mark.scale.verdict]} (${signs(mark.scale.role)})`);
		if (mark.scale.telling) parts.push('tells the scale apart');
	}
	if (mark.reach) parts.push('a reach');
	if (target) parts.push(target);
	return parts.join(', ');
}
