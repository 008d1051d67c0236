import { NO_LINE, NO_ANCHORS, type RouteInput } from './route-schema';
import { type Chart, chartTicks } from '$core/chart';
import { toneAt } from '$core/chord';
import type { ReadNote } from '$core/formats';
import {
	inWindow,
	lastPosition,
	pitchAt,
	placeLine,
	placeUnder,
	type Instrument,
	type Place
} from '$core/neck';
import { anchorOf } from '$core/route';

/** A line from elsewhere as a route of a tune: every way is the player's own. */
export type LineRoute = {
	readonly route: RouteInput;
	/** Notes that could not be taken over, by what is wrong with them. */
	readonly lost: { readonly early: number; readonly late: number; readonly unplayable: number };
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
	const places = placeLine(
		instrument,
		position,
		notes.map((note) => note.midi)
	);
	const found = notes.flatMap((note, i): Placed[] => {
		const place = sounds(instrument, note) ? note.place : places[i];
		return place ? [{ ...note, place }] : [];
	});
	return { notes: found, unplayable: notes.length - found.length };
}

/**
 * Makes a route of a line: notes on the places that the file names, others on the easiest ones; a first
 * note on a change that is a tone of its chord is its landing.
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
	const first = chart.changes[0]?.tick ?? Infinity;
	const end = chartTicks(chart);
	const inside = notes.filter((note) => note.tick >= first && note.tick < end);
	const early = notes.filter((note) => note.tick < first).length;
	const anchors: RouteInput['anchors'] = structuredClone(NO_ANCHORS);
	// A line that was told without any technique leaves slurs to the hand.
	const signed = line.some((note) => note.technique !== null || note.place !== null);
	for (const change of chart.changes) {
		const anchor = anchorOf(change);
		const to = chart.changes[change.index + 1]?.tick ?? end;
		const own = inside.filter((note) => note.tick >= change.tick && note.tick < to);
		const [landing] = own;
		const lands =
			landing?.tick === change.tick &&
			toneAt(change.to.chord, landing.midi) !== undefined &&
			inWindow(instrument, position, landing.place);
		if (lands) anchors.locks.push({ ...anchor, ...landing.place });
		else anchors.letPass.push({ ...anchor, own: true });
		if (lands && landing.finger !== null && landing.place.fret > 0) {
			anchors.fingers.push({ ...anchor, ...landing.place, offset: 0, finger: landing.finger });
		}
		anchors.frozen.push({
			...anchor,
			notes: own.map(({ tick, durationTicks, place, finger, technique }) => ({
				...place,
				offset: tick - change.tick,
				durationTicks: Math.min(durationTicks, end - tick),
				...(finger === null ? {} : { finger }),
				...(signed ? { technique } : {})
			}))
		});
	}
	const route: RouteInput = {
		name: name.slice(0, 120),
		position,
		style: 'nearest',
		line: { ...NO_LINE, grid: 'eighth' },
		anchors
	};
	return { route, lost: { early, late: notes.length - inside.length - early, unplayable } };
}
