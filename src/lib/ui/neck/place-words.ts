import type { Notation } from '$core/pitch';
import { compareChords } from '$core/chart';
import { roleWords, signs, toneAt, type Chord } from '$core/chord';
import { noteVerdict, type Scale } from '$core/harmony';
import { inWindow, pitchAt, windowFrets, windowPlaces, type Instrument } from '$core/neck';
import { prefs } from '$lib/state/prefs.svelte';
import { capital, inWords, scaleTitle } from '$lib/words/words';
import { placeText } from './figures';

const listed = (parts: readonly string[]): string =>
	parts.length < 2 ? parts.join('') : `${parts.slice(0, -1).join(', ')} and ${parts.at(-1)}`;

/** Tones of a chord that no place of the window sounds. */
export const missingTones = (instrument: Instrument, position: number, chord: Chord) => {
	const here = new Set(windowPlaces(instrument, position).map(({ midi }) => midi % 12));
	return chord.tones.filter((tone) => !here.has(tone.pc));
};

/** Where the tones of one chord lie: "root E♭ on string 5 fret 6 and string 3 fret 8". */
function chordWords(instrument: Instrument, position: number, chord: Chord): string {
	const places = windowPlaces(instrument, position);
	const tones = chord.tones.map((tone) => {
		const here = places.filter((place) => toneAt(chord, place.midi) === tone);
		const where = here.map((place) => placeText(place) + (place.reach ? ', a reach' : ''));
		const name = `${roleWords(tone.role)} ${prefs.name(tone.name)}`;
		return here.length === 0 ? `${name} not in this place` : `${name} on ${listed(where)}`;
	});
	return `${capital(tones.join('; '))}.`;
}

/** What changes between two chords, as said by a teacher: what stays, what moves, what is new. */
export function changeWords(now: Chord, next: Chord): string[] {
	const { common, moves, fresh } = compareChords(now, next);
	const name = (tone: { name: Notation; pc: number }) => prefs.name(tone.name);
	const by = (semitones: number) => (Math.abs(semitones) === 1 ? 'a semitone' : 'a whole tone');
	const stays = common.map((tone) => {
		const old = toneAt(now, tone.pc);
		const was =
			old && old.role !== tone.role
				? `, the ${roleWords(old.role)} becomes the ${roleWords(tone.role)}`
				: '';
		return `${name(tone)} stays${was}.`;
	});
	const goes = moves.map(
		({ from, to, semitones }) =>
			`${name(from)} ${semitones > 0 ? 'rises' : 'falls'} ${by(semitones)} to ${name(to)}, the ${roleWords(to.role)}.`
	);
	const alone = fresh.filter((tone) => !moves.some((move) => move.to.pc === tone.pc));
	return [
		...stays,
		...goes,
		...alone.map((tone) => `${name(tone)}, the ${roleWords(tone.role)}, is new.`)
	];
}

/** A semitone move on one string: the least that a finger can do. */
function stringMoves(instrument: Instrument, position: number, now: Chord, next: Chord): string[] {
	const semitones = compareChords(now, next).moves.filter((m) => Math.abs(m.semitones) === 1);
	return windowPlaces(instrument, position).flatMap((place) =>
		semitones.flatMap(({ from, to, semitones: by }) => {
			const goal = { string: place.string, fret: place.fret + by };
			if (toneAt(now, place.midi) !== from || !inWindow(instrument, position, goal)) return [];
			if (goal.fret < 0 || toneAt(next, pitchAt(instrument, goal)) !== to) return [];
			const [a, b] = [prefs.name(from.name), prefs.name(to.name)];
			return [
				`${placeText(place)}, ${a}, to ${goal.fret === 0 ? 'open' : `fret ${goal.fret}`}, ${b}`
			];
		})
	);
}

/** One part of a place told in words. */
export type Told = {
	readonly head: string;
	readonly text: string;
	readonly tense?: 'now' | 'next';
};

type Place = {
	readonly instrument: Instrument;
	readonly position: number;
	readonly now: Chord | null;
	readonly next: Chord | null;
	readonly scale: Scale | null;
};

/** The whole place for those who do not see it: the hand, both chords, what changes, the scale. */
export function tellPlace({ instrument, position, now, next, scale }: Place): Told[] {
	const { low, high } = windowFrets(instrument, position);
	const reaches = [low > 0 ? `fret ${low}` : '', high > position + 3 ? `fret ${high}` : ''].filter(
		Boolean
	);
	const hand = `Index finger on fret ${position}, little finger on fret ${position + 3}${reaches.length > 0 ? `; ${listed(reaches)} in reach` : ''}${position === 1 ? '; open strings sound too' : ''}.`;
	const told: Told[] = [{ head: `Position ${position}`, text: hand }];
	if (now)
		told.push({
			head: `${signs(now.symbol)} now`,
			text: chordWords(instrument, position, now),
			tense: 'now'
		});
	if (next)
		told.push({
			head: `${signs(next.symbol)} next`,
			text: chordWords(instrument, position, next),
			tense: 'next'
		});
	if (now && next) {
		const moves = stringMoves(instrument, position, now, next);
		const text = changeWords(now, next).join(' ');
		const near = moves.length > 0 ? ` On one string: ${moves.join('; ')}.` : '';
		told.push({ head: 'What changes', text: text + near });
	}
	if (scale && now) {
		const notes = scale.notes.map(({ note, name }) => {
			const { verdict, role } = noteVerdict(note, now, next);
			const says = { home: 'in the chord', colour: 'colour', passing: 'passing', clash: 'clash' }[
				verdict
			];
			return `${prefs.name(name)} ${signs(role)}, ${says}`;
		});
		const lacks = now.tones.filter((tone) => !scale.notes.some((note) => note.pc === tone.pc));
		const lack =
			lacks.length > 0
				? ` It lacks ${listed(lacks.map((tone) => prefs.name(tone.name)))} of ${signs(now.symbol)}.`
				: ` It holds every tone of ${signs(now.symbol)}.`;
		told.push({ head: scaleTitle(scale), text: `${notes.join('; ')}.${lack}` });
	}
	return told;
}

/** What the comparison comes to, in one line: "Three tones move by a semitone, one stays." */
export function changeSummary(now: Chord, next: Chord): string {
	const { common, moves } = compareChords(now, next);
	const near = new Set(moves.filter((m) => Math.abs(m.semitones) === 1).map((m) => m.to.pc)).size;
	const stays = common.length;
	if (near === 0 && stays === 0) return 'Nothing stays, nothing is a semitone away.';
	const parts = [
		near > 0
			? `${inWords(near)} of ${inWords(next.tones.length)} tones ${near === 1 ? 'is' : 'are'} a semitone away`
			: '',
		stays > 0 ? `${inWords(stays)} ${stays === 1 ? 'stays' : 'stay'}` : ''
	].filter(Boolean);
	return `${capital(parts.join(', '))}.`;
}
