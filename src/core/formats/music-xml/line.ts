import { playing, type Playing, type Technique } from '../../route';
import type { LeftOut, ReadNote } from '../piece';
import type { RawNote } from './raw-note';

const most = <T>(list: readonly T[]): T | undefined => {
	const counts = new Map<T, number>();
	for (const entry of list) counts.set(entry, (counts.get(entry) ?? 0) + 1);
	return [...counts].sort((a, b) => b[1] - a[1])[0]?.[0];
};

/** The notes of the staff and voice that carry the line: those on tab where there is some. */
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
	return onStaff
		.filter((note) => note.voice === voice)
		.sort((a, b) => a.tick - b.tick || (b.place?.string ?? 0) - (a.place?.string ?? 0))
		.map((note) => ({
			...note,
			finger: note.finger ?? fingers.get(`${note.tick} ${note.midi}`) ?? null
		}));
}

/** A note that may go on; `plain` is how it is played if the bend that it announces is a note of its own. */
type OpenNote = { -readonly [K in keyof ReadNote]: ReadNote[K] } & {
	ties: boolean;
	plain: Playing | null;
};

/** What a note is tied by: its string, or its pitch where no string is told. */
const keyOf = ({ place, midi }: Pick<RawNote, 'place' | 'midi'>): string =>
	place ? `string ${place.string}` : `pitch ${midi}`;

/** How a note is played, its bends aside. */
function playedAs(note: RawNote, technique: Technique | null): Playing {
	const { struck, also, trill, curled, graceFret, bend } = note;
	return playing({
		technique: technique ?? struck,
		also: [
			...also,
			...(curled ? (['curl'] as const) : []),
			...(bend?.released && technique !== 'release' ? (['release'] as const) : [])
		],
		...(trill === null ? {} : { trill }),
		...(graceFret === null ? {} : { grace: graceFret })
	});
}

/**
 * The notes of a line: ties joined, each with how it is played; a bend that is held as a note of its own is told as the
 * note that it reaches.
 * @param raw notes in the order in which they are played
 */
export function lineOf(raw: readonly RawNote[], left: LeftOut): ReadNote[] {
	if (raw.length === 0) return [];
	const line: OpenNote[] = [];
	const notes = leading(raw, left);
	const last = new Map<string, OpenNote>();
	for (const note of notes) {
		const key = keyOf(note);
		const before = last.get(key);
		const { tick, durationTicks, midi, place, finger, bend } = note;
		const joined =
			before?.ties === true && note.tied.from && before.tick + before.durationTicks === tick;
		const push = (
			made: Omit<OpenNote, 'ties' | 'tick' | 'durationTicks' | 'finger' | 'plain'>,
			plain: Playing | null = null
		) => {
			const open: OpenNote = { tick, durationTicks, finger, ties: note.tied.on, plain, ...made };
			line.push(open);
			last.set(key, open);
		};
		if (before && joined && bend?.held) {
			if (before.plain) {
				const { tick: at, durationTicks: long, midi: pitch, place: on, finger: by } = before;
				const bare: OpenNote = {
					...{ tick: at, durationTicks: long, midi: pitch, place: on, finger: by },
					...{ ties: false, plain: null, ...before.plain }
				};
				line[line.lastIndexOf(before)] = bare;
			}
			const to = place && { ...place, fret: place.fret + bend.semitones };
			push({ midi: midi + bend.semitones, place: to, ...playedAs(note, 'bend') });
			continue;
		}
		if (before && joined && bend?.released) {
			push({ midi, place, ...playedAs(note, 'release') });
			continue;
		}
		const held = before?.technique === 'bend' && before.bend === undefined && before.place;
		if (before && joined && (before.midi === midi || held)) {
			before.durationTicks += durationTicks;
			before.ties = note.tied.on;
			continue;
		}
		const told = playedAs(note, bend?.held ? 'pre-bend' : null);
		const bent = bend ? playing({ ...told, bend: bend.semitones }) : told;
		push({ midi, place, ...bent }, bend && !bend.held ? told : null);
	}
	return line.map(({ ties: _, plain: __, ...note }) => note);
}
