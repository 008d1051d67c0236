import { passNotes, type JudgeRequest } from '$core/practice';
import { notesOver } from './drill-plan.svelte';
import type { OpenTune } from '../open-tune.svelte';
import type { PlayedRoute } from '../played';

/** So many ticks off the grid a note stands where it was played: swing moves only what is written on it. */
const OFF_GRID = 1 / 64;

/** A pass as notes over the band, each in the time through in which it was played, at its own moment. */
export function passAgain(open: OpenTune, request: JudgeRequest): PlayedRoute['notes'] {
	const { chart, held, position } = open;
	const notes = passNotes(request);
	const rounds = Array.from({ length: request.loops }, (_, round) => {
		const played = notes.filter(({ loop }) => loop === round);
		return notesOver(chart, held, position, played).map((note) => ({
			...note,
			tick: note.tick + OFF_GRID,
			round
		}));
	});
	return rounds.flat().sort((a, b) => a.tick - b.tick);
}
