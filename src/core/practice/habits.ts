import { toneAt, type Role } from '../chord';
import { placeLine, pitchAt, windowPlaces, type Instrument, type Place } from '../neck';
import type { Chart } from '../chart';
import type { JudgedChange } from './types';
import { isLanded } from './summary';

/** How often a place of the window was played. */
type PlaceCount = Place & { readonly count: number };

/** What a player always does at a place of the neck, and what never. */
export type Habits = {
	readonly places: readonly PlaceCount[];
	/** Chord-tone places of the window that were never played, and how many there are in all. */
	readonly unused: readonly Place[];
	readonly tonePlaces: number;
	/** Roles landed on, the commonest first. */
	readonly roles: readonly { readonly role: Role; readonly count: number }[];
	/** Sizes of the steps between notes in semitones, the commonest first. */
	readonly steps: readonly { readonly semitones: number; readonly count: number }[];
	/** Strings on which nothing was played, from 1. */
	readonly silentStrings: readonly number[];
};

/** One take as habits read it: its pitches in order and its landings. */
export type HabitTake = {
	readonly pitches: readonly number[];
	readonly changes: readonly Pick<JudgedChange, 'result' | 'role'>[];
};

const key = ({ string, fret }: Place): string => `${string}:${fret}`;

const tally = <T>(values: readonly T[]): [T, number][] => {
	const counts = new Map<T, number>();
	for (const value of values) counts.set(value, (counts.get(value) ?? 0) + 1);
	return [...counts].sort((a, b) => b[1] - a[1]);
};

/**
 * The habits of takes at one position. Where a pitch has two places the easier one is taken to have been
 * played, because no input tells them apart.
 */
export function habitsOf(
	chart: Chart,
	instrument: Instrument,
	position: number,
	takes: readonly HabitTake[]
): Habits {
	const window = windowPlaces(instrument, position);
	const reached = new Set(window.map(key));
	const played = takes.flatMap(({ pitches }) =>
		placeLine(instrument, position, pitches).flatMap((place) =>
			place && reached.has(key(place)) ? [place] : []
		)
	);
	const counts = new Map(tally(played.map(key)));
	const tones = window.filter((place) =>
		chart.changes.some((change) => toneAt(change.to.chord, pitchAt(instrument, place)))
	);
	const plain = ({ string, fret }: Place): Place => ({ string, fret });
	const strings = new Set(played.map(({ string }) => string));
	return {
		places: window.flatMap((place) => {
			const count = counts.get(key(place)) ?? 0;
			return count > 0 ? [{ ...plain(place), count }] : [];
		}),
		unused: tones.filter((place) => !counts.has(key(place))).map(plain),
		tonePlaces: tones.length,
		roles: tally(
			takes.flatMap(({ changes }) =>
				changes.flatMap((change) => (isLanded(change) && change.role ? [change.role] : []))
			)
		).map(([role, count]) => ({ role, count })),
		steps: tally(
			takes.flatMap(({ pitches }) =>
				pitches.slice(1).map((midi, i) => Math.abs(midi - pitches[i]!))
			)
		).map(([semitones, count]) => ({ semitones, count })),
		silentStrings: instrument.open
			.map((_, i) => i + 1)
			.filter((string) => played.length > 0 && !strings.has(string))
	};
}
