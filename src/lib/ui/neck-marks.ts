import { roleWords, toneAt, type Chord, type Tone } from '$core/chord';
import { highestFret, inWindow, pitchAt, type Instrument, type Place } from '$core/neck';
import { prefs } from '$lib/state/prefs.svelte';

/** What one place of the neck shows: the tones it sounds in the two chords. */
export type NeckMark = Place & {
	readonly midi: number;
	readonly inside: boolean;
	readonly reach: boolean;
	readonly now: Tone | undefined;
	readonly next: Tone | undefined;
};

/** Every place between two frets that sounds a tone of the chord now or next. */
export function neckMarks(
	instrument: Instrument,
	position: number,
	now: Chord | null,
	next: Chord | null,
	from = 0,
	to = highestFret(instrument)
): NeckMark[] {
	const marks: NeckMark[] = [];
	for (let string = 1; string <= instrument.open.length; string++) {
		for (let fret = from; fret <= to; fret++) {
			const midi = pitchAt(instrument, { string, fret });
			const tones = {
				now: now ? toneAt(now, midi) : undefined,
				next: next ? toneAt(next, midi) : undefined
			};
			if (!tones.now && !tones.next) continue;
			const inside = inWindow(instrument, position, { string, fret });
			const reach = fret > 0 && (fret < position || fret > position + 3);
			marks.push({ string, fret, midi, inside, reach, ...tones });
		}
	}
	return marks;
}

/** A place in words: "string 2, fret 6, F, third of D♭ now". */
export function placeWords(
	mark: NeckMark,
	now: Chord | null,
	next: Chord | null,
	target: string | null
): string {
	const tone = mark.next ?? mark.now;
	const parts = [`string ${mark.string}`, mark.fret === 0 ? 'open' : `fret ${mark.fret}`];
	if (tone) parts.push(prefs.name(tone.name, tone.pc));
	if (mark.now && now) parts.push(`${roleWords(mark.now.role)} of ${now.symbol}, now`);
	if (mark.next && next) parts.push(`${roleWords(mark.next.role)} of ${next.symbol}, next`);
	if (mark.reach) parts.push('a reach');
	if (target) parts.push(target);
	return parts.join(', ');
}
