import { changeAt, eventAt } from '../../chart';
import { keyOf, nameOver } from '../../harmony';
import { toneAt } from '../../chord';
import { pitchAt, placeUnder } from '../../neck';
import { positionAt } from '../types';
import type { LineNote, LineRequest, OwnNote } from './types';
import { scalesAlong } from '../scale-plan';

/**
 * Notes of the player's own that no way between targets holds: before the first landing, where nothing is
 * landed on at all, or while no chord sounds. They stand as they are.
 * @param taken when the notes of the line are struck
 */
export function loneNotes(request: LineRequest, taken: ReadonlySet<number>): LineNote[] {
	const { chart, instrument, line } = request;
	const own = (line.frozen ?? []).flatMap(({ from, to, notes }) =>
		notes.filter((note) => note.tick >= from && note.tick < to && !taken.has(note.tick))
	);
	if (own.length === 0) return [];
	const scales = scalesAlong(chart, request.scale, line.scalePlan, line.byHand, line.alternate);
	return own.map((note: OwnNote): LineNote => {
		const event = eventAt(chart, note.tick);
		const chord = event?.chord ?? null;
		const midi = pitchAt(instrument, note);
		const change = changeAt(chart, note.tick);
		const { finger } = placeUnder(instrument, positionAt(request, change?.index ?? 0), note);
		const tone = chord && toneAt(chord, midi);
		const scale = scales[event?.index ?? 0] ?? null;
		const degree = scale?.notes.some((entry) => entry.pc === midi % 12);
		return {
			tick: note.tick,
			durationTicks: note.durationTicks,
			string: note.string,
			fret: note.fret,
			midi,
			name: nameOver(midi, { chord, scale, key: keyOf(chart) }),
			role: tone?.role ?? null,
			kind: tone ? 'chord' : degree ? 'passing' : 'chromatic',
			finger: note.finger ?? finger,
			technique: null,
			chord: event?.index ?? 0
		};
	});
}
