import { NO_LINE, NO_ANCHORS, type RouteInput } from './route-schema';
import { type Chart, chartTicks } from '$core/chart';
import { toneAt } from '$core/chord';
import { placeNotes, type ReadNote } from '$core/formats';
import {
	inWindow,
	lastPosition,
	pitchAt,
	placeLine,
	placeUnder,
	type Instrument,
	type Place
} from '$core/neck';
import { anchorOf, playingOf } from '$core/route';
import { leadIn } from './route-anchors';

/** A line from elsewhere as a route of a tune: every way is the player's own. */
export type LineRoute = {
	readonly route: RouteInput;
	/** Notes that could not be taken over, by what is wrong with them. */
	readonly lost: { readonly late: number; readonly unplayable: number };
};

type Placed = ReadNote & { readonly place: Place };

/** Where a note is played: where the file says, if that place sounds it. */
function sounds(instrument: Instrument, { place, midi }: ReadNote): boolean {
	if (!place || place.string > instrument.open.length) return false;
	const most = instrument.frets - instrument.capo;
	return place.fret <= most && pitchAt(instrument, place) === midi;
}

/** The position that holds most of the notes under the fingers that the file names; of equals the first. */
function bestPosition(instrument: Instrument, notes: readonly ReadNote[]): number {
	let [best, most] = [1, -Infinity];
	for (let position = 1; position <= lastPosition(instrument); position++) {
		let score = 0;
		for (const note of notes) {
			const { place, finger } = note;
			if (!place || !sounds(instrument, note) || !inWindow(instrument, position, place)) continue;
			const under = placeUnder(instrument, position, place);
			score += 100 + (under.finger === finger ? 10 : 0) - (under.reach ? 1 : 0);
		}
		if (score > most) [best, most] = [position, score];
	}
	return best;
}

/** The position where the easiest fingering of bare pitches leaves the window least. */
function easiestPosition(instrument: Instrument, pitches: readonly number[]): number {
	let [best, most] = [5, -1];
	for (let position = 1; position <= Math.min(12, lastPosition(instrument)); position++) {
		const places = placeLine(instrument, position, pitches);
		const held = places.filter((place) => place && inWindow(instrument, position, place)).length;
		if (held > most) [best, most] = [position, held];
	}
	return best;
}

function placed(
	instrument: Instrument,
	notes: readonly ReadNote[],
	position: number
): { notes: Placed[]; unplayable: number } {
	const bare = notes.map(({ tick, durationTicks, midi }) => ({
		...{ tick, end: tick + durationTicks, midi }
	}));
	const places = placeNotes(instrument, position, bare);
	const found = notes.flatMap((note, i): Placed[] => {
		const place = sounds(instrument, note) ? note.place : places[i];
		return place ? [{ ...note, place }] : [];
	});
	return { notes: found, unplayable: notes.length - found.length };
}

/**
 * Makes a route of a line: notes on the places that the file names, others on the easiest ones, all of them as they are
 * played there; the highest note on a change that is a tone of its chord is its landing.
 * @param name what the route is called
 */
export function routeOfLine(
	chart: Chart,
	instrument: Instrument,
	line: readonly ReadNote[],
	name: string
): LineRoute {
	const told = line.filter((note) => sounds(instrument, note)).length;
	const position =
		2 * told >= line.length
			? bestPosition(instrument, line)
			: easiestPosition(
					instrument,
					line.map((note) => note.midi)
				);
	const { notes, unplayable } = placed(instrument, line, position);
	const end = chartTicks(chart);
	const inside = notes.filter((note) => note.tick >= 0 && note.tick < end);
	const anchors: RouteInput['anchors'] = structuredClone(NO_ANCHORS);
	const first = chart.changes[0]?.tick ?? end;
	const ownOf = (from: number, to: number) =>
		inside
			.filter((note) => note.tick >= from && note.tick < to)
			.map((note) => ({
				...note.place,
				offset: note.tick - from,
				durationTicks: Math.min(note.durationTicks, end - note.tick),
				...(note.finger === null ? {} : { finger: note.finger }),
				...playingOf(note)
			}));
	const lead = first > 0 ? ownOf(0, first) : [];
	if (lead.length > 0) anchors.frozen.push({ ...leadIn(chart), notes: lead });
	for (const change of chart.changes) {
		const anchor = anchorOf(change);
		const own = ownOf(change.tick, chart.changes[change.index + 1]?.tick ?? end);
		const landing = own
			.filter(({ offset }) => offset === 0)
			.map(({ string, fret }) => ({ string, fret, midi: pitchAt(instrument, { string, fret }) }))
			.filter(({ midi }) => toneAt(change.to.chord, midi) !== undefined)
			.sort((a, b) => b.midi - a.midi)[0];
		if (landing) {
			anchors.locks.push({ ...anchor, string: landing.string, fret: landing.fret });
		} else anchors.letPass.push({ ...anchor, own: true });
		anchors.frozen.push({ ...anchor, notes: own });
	}
	const route: RouteInput = {
		name: name.slice(0, 120),
		position,
		style: 'nearest',
		line: { ...NO_LINE, grid: 'eighth' },
		anchors
	};
	return { route, lost: { late: notes.length - inside.length, unplayable } };
}
