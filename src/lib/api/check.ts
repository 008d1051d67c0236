import { lastPosition, isPosition } from '$core/neck';
import { checkLine, scalesAlong, unplayable, type PlayedNote } from '$core/route';
import type { CheckAnswer, CheckInput } from './plan-schema';
import { resolveHeld, type Outcome } from './resolve';

/** Notes with their bends: one out of the note before arrives where it is bent to, another is bent from its place. */
function played(notes: CheckInput['notes']): PlayedNote[] {
	const ends = new Set(
		notes.map((note) => `${note.string ?? ''} ${note.tick + note.durationTicks}`)
	);
	return notes.map(({ toMidi, ...note }) => {
		if (toMidi === undefined) return note;
		const follows = ends.has(`${note.string ?? ''} ${note.tick}`);
		const reached = note.technique === 'bend' || note.technique === 'release';
		return reached && follows
			? { ...note, midi: Math.round(toMidi) }
			: { ...note, bend: toMidi - note.midi };
	});
}

/** Judges a line; the answer of `POST /api/v1/check`, the same in the browser and on the server. */
export function runCheck(input: CheckInput): Outcome<CheckAnswer> {
	const setting = resolveHeld(input);
	if ('error' in setting) return setting;
	const { chart, scale, instrument } = setting.value;
	const { position = null, notes } = input;
	if (position !== null && !isPosition(instrument, position)) {
		const message = `Position ${position} does not exist: this instrument has 1 to ${lastPosition(instrument)}.`;
		return { error: [{ path: 'position', message }] };
	}
	const issues = notes.flatMap((note, i) => {
		const message = unplayable(instrument, note);
		return message ? [{ path: `notes.${i}`, message }] : [];
	});
	if (issues.length > 0) return { error: issues.slice(0, 100) };
	const scales = scalesAlong(chart, scale, 'one');
	const { changes, metrics, verdict } = checkLine({
		...{ chart, instrument, scales, position, colours: input.colours },
		notes: played(notes)
	});
	return {
		value: {
			changes: changes.map(({ index, result, midi, name, role, beside, fix }) => ({
				index,
				result,
				midi,
				name,
				role,
				beside: beside.map((one) => ({ ...one })),
				fix: fix && { tick: fix.tick, toMidi: fix.toMidi, text: fix.text }
			})),
			metrics: { ...metrics },
			verdict
		}
	};
}
