import { ROLES } from '$core/chord';
import { isPosition, lastPosition } from '$core/neck';
import {
	answered,
	displaced,
	isStep,
	mirror,
	reversed,
	sequence,
	symmetric,
	type Motif,
	type Phrase,
	type PhraseContext
} from '$core/phrase';
import { scalesAlong } from '$core/route';
import type { Issue } from './chart-schema';
import type { MotifInput, PhraseAnswer, PhraseInput } from './phrase-schema';
import { resolveHeld, type Outcome } from './resolve';

const EXAMPLES = {
	role: 'a role such as R, b3, 5 or 9',
	degree: 'a degree such as 1, b3, #4 or 8',
	interval: 'a whole number of semitones between -36 and 36'
} as const;

/** Steps that the motif's basis cannot read. */
export function motifIssues(motif: MotifInput, path = 'motif'): Issue[] {
	return motif.notes.flatMap((note, i) =>
		isStep(motif.basis, note.step, ROLES)
			? []
			: [
					{
						path: `${path}.notes.${i}.step`,
						message: `“${note.step}” is no step here: give ${EXAMPLES[motif.basis]}.`
					}
				]
	);
}

function perform(
	motif: Motif,
	context: PhraseContext,
	operation: PhraseInput['operation']
): Phrase {
	switch (operation.kind) {
		case 'mirror':
			return mirror(motif, context);
		case 'answer':
			return mirror(answered(motif, operation.resolveTo), context);
		case 'displace':
			return mirror(displaced(motif, operation.byTicks), context);
		case 'reverse':
			return mirror(reversed(motif), context);
		case 'sequence':
			return sequence(motif, context, operation.by, operation.times);
		case 'symmetric':
			return symmetric(motif, context, operation.bySemitones, operation.times);
	}
}

/** Makes a phrase of a motif; the answer of `POST /api/v1/phrase`, the same in the browser and on the server. */
export function runPhrase(input: PhraseInput): Outcome<PhraseAnswer> {
	const setting = resolveHeld(input);
	if ('error' in setting) return setting;
	const { chart, scale, instrument } = setting.value;
	const { position } = input;
	if (!isPosition(instrument, position)) {
		const message = `Position ${position} does not exist: this instrument has 1 to ${lastPosition(instrument)}.`;
		return { error: [{ path: 'position', message }] };
	}
	const issues = motifIssues(input.motif);
	if (issues.length > 0) return { error: issues };
	if (chart.changes.length === 0) {
		return { error: [{ path: 'chart', message: 'No chord sounds in this chart.' }] };
	}
	const context: PhraseContext = {
		chart,
		instrument,
		scales: scalesAlong(chart, scale, 'one'),
		handAt: () => position
	};
	const { notes, problems } = perform(input.motif, context, input.operation);
	return { value: { notes: [...notes], problems: [...problems] } };
}
