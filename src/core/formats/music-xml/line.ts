import { QUARTER } from '../../kernel';
import type { Technique } from '../../route';
import type { LeftOut, ReadNote } from '../piece';
import { CURL } from './notes';
import type { RawNote } from './raw-note';

const most = <T>(list: readonly T[]): T | undefined => {
	const counts = new Map<T, number>();
	for (const entry of list) counts.set(entry, (counts.get(entry) ?? 0) + 1);
	return [...counts].sort((a, b) => b[1] - a[1])[0]?.[0];
};

/** The notes of the staff and voice that carry the line: those on tab where there is some, one at a time. */
function leading(raw: readonly RawNote[], left: LeftOut): RawNote[] {
	const tab = raw.filter((note) => note.place !== null);
	const staff =
		tab.length > 0
			? most(tab.map((note) => note.staff))
			: Math.min(...raw.map((note) => note.staff));
	const onStaff = raw.filter((note) => note.staff === staff);
	const voice = most(onStaff.map((note) => note.voice));
	const fingers = new Map(
		raw.flatMap((note) =>
			note.finger === null ? [] : [[`${note.tick} ${note.midi}`, note.finger]]
		)
	);
	const others = onStaff.filter((note) => note.voice !== voice && !note.tied.from);
	for (let i = 0; i < others.length; i++) left.count('note of a second voice');
	const chosen: RawNote[] = [];
	const sorted = onStaff
		.filter((note) => note.voice === voice)
		.sort((a, b) => a.tick - b.tick || b.midi - a.midi);
	for (const note of sorted) {
		const before = chosen.at(-1);
		if (before?.tick === note.tick) {
			if (!note.tied.from) left.count('note under another');
			continue;
		}
		// A note that still rings ends where the next one begins.
		if (before && before.tick + before.durationTicks > note.tick) {
			chosen[chosen.length - 1] = { ...before, durationTicks: note.tick - before.tick };
		}
		const finger = note.finger ?? fingers.get(`${note.tick} ${note.midi}`) ?? null;
		chosen.push({ ...note, finger: finger });
	}
	return chosen;
}

type OpenNote = { -readonly [K in keyof ReadNote]: ReadNote[K] } & { ties: boolean };

/** A note that is bent, without a second one that holds the bend: it is split where the bend arrives. */
function split(draft: OpenNote, semitones: number): OpenNote[] {
	const half = Math.min(QUARTER / 2, Math.floor(draft.durationTicks / 2));
	if (half === 0) return [draft];
	const bent: OpenNote = {
		...draft,
		tick: draft.tick + half,
		durationTicks: draft.durationTicks - half,
		midi: draft.midi + semitones,
		place: draft.place && { ...draft.place, fret: draft.place.fret + semitones },
		technique: 'bend'
	};
	return [{ ...draft, durationTicks: half, ties: false }, bent];
}

/**
 * One line of notes: ties joined, bends told as the note that they reach, each with how it is played.
 * @param raw notes in the order in which they are played
 */
export function lineOf(raw: readonly RawNote[], left: LeftOut): ReadNote[] {
	if (raw.length === 0) return [];
	const line: OpenNote[] = [];
	const notes = leading(raw, left);
	notes.forEach((note, i) => {
		const before = line.at(-1);
		const next = notes[i + 1];
		const { tick, durationTicks, midi, place, finger, bend } = note;
		const joined =
			before?.ties === true && note.tied.from && before.tick + before.durationTicks === tick;
		if (before && joined && bend?.held && Number.isInteger(bend.semitones)) {
			const to = midi + bend.semitones;
			line.push({
				...{ tick, durationTicks, midi: to, finger, technique: 'bend' as const },
				place: place && { ...place, fret: place.fret + bend.semitones },
				ties: note.tied.on
			});
			return;
		}
		const held =
			before?.technique === 'bend' && before.place && place?.string === before.place.string;
		if (before && joined && (before.midi === midi || held)) {
			before.durationTicks += durationTicks;
			before.ties = note.tied.on;
			return;
		}
		const technique: Technique | null =
			note.reached ?? note.shaken ?? (bend && bend.semitones <= CURL ? 'curl' : null);
		const draft: OpenNote = {
			tick,
			durationTicks,
			midi,
			place,
			finger,
			technique,
			ties: note.tied.on
		};
		const goesOn = next?.tied.from && next.bend?.held && next.tick === tick + durationTicks;
		const whole = bend && !bend.held && bend.semitones >= 1 && !note.tied.on && !goesOn;
		if (whole && Number.isInteger(bend.semitones)) line.push(...split(draft, bend.semitones));
		else line.push(draft);
	});
	return line.map(({ ties: _, ...note }) => note);
}
