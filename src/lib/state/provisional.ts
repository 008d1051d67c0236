import { chartTicks, eventAt, type Chart } from '$core/chart';
import { toneAt } from '$core/chord';
import { keyOf, nameOver, type Scale } from '$core/harmony';
import { pitchAt, type Instrument } from '$core/neck';
import { arrivalOf, isDead, playing, spellLine } from '$core/route';
import type { NoteAnswer } from '$lib/api/plan-schema';
import { wayOf, type WayNote } from './ways';

type Context = {
	readonly chart: Chart;
	readonly instrument: Instrument;
	readonly scales: readonly (Scale | null)[];
};

/**
 * The line as it will be once an edit is planned: the edited ways with their new notes, all else as it
 * stands. Shown and edited at once; the plan that follows puts fingers and techniques in.
 * @param silent changes whose landing is taken away; without it a landing that is not edited stays
 */
export function provisionalLine(
	{ chart, instrument, scales }: Context,
	line: readonly NoteAnswer[],
	ways: readonly (readonly [number, readonly WayNote[]])[],
	silent: readonly number[] = []
): NoteAnswer[] {
	let notes = [...line];
	for (const [change, own] of ways) {
		const { from, to } = wayOf(chart, change);
		const first = own.some((note) => note.offset === 0) || silent.includes(change);
		notes = notes.filter(
			(note) => note.tick < from || note.tick >= to || (note.kind === 'target' && !first)
		);
		for (const { offset, durationTicks, string, fret, finger, ...how } of own) {
			const tick = from + offset;
			const event = eventAt(chart, tick);
			const midi = pitchAt(instrument, { string, fret });
			const sounds = arrivalOf({ midi, ...how });
			const tone = event?.chord && !isDead(how) && toneAt(event.chord, sounds);
			notes.push({
				tick,
				durationTicks,
				string,
				fret,
				midi,
				name: nameOver(midi, {
					chord: event?.chord ?? null,
					scale: scales[event?.index ?? 0] ?? null,
					key: keyOf(chart)
				}),
				role: tone ? tone.role : null,
				kind: offset === 0 && tone ? 'target' : tone ? 'chord' : 'passing',
				finger: finger ?? null,
				...playing(how),
				chord: event?.index ?? 0
			});
		}
	}
	notes.sort((a, b) => a.tick - b.tick || b.string - a.string);
	// What was planned ends where an own note begins; own notes end on their string.
	const written = ways.map(([change]) => wayOf(chart, change));
	const isOwn = (tick: number) => written.some(({ from, to }) => tick >= from && tick < to);
	return spellLine(chart, scales, notes).map((note, i) => {
		const next = notes
			.slice(i + 1)
			.find(
				(other) => other.tick > note.tick && (!isOwn(note.tick) || other.string === note.string)
			);
		const until = next?.tick ?? chartTicks(chart);
		return { ...note, durationTicks: Math.max(1, Math.min(note.durationTicks, until - note.tick)) };
	});
}
