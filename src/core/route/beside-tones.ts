import type { Change, Chart } from '../chart';
import { toneAt, type Role, type Tone } from '../chord';
import { readOver, type Scale } from '../harmony';
import { noteName, notation, pitchClass, type Note } from '../pitch';
import { colourOver } from './colour';
import type { PlanRequest } from './types';

/** A note as something that a change is landed on, whatever the chord makes of it. */
const asTone = (note: Note, role: Role): Tone => ({
	...{ role, note, name: notation(noteName(note)), pc: pitchClass(note) },
	essential: false
});

/** The colours of a scale over the chord of a change: 6, 9, 11, ♯11, 13 where it has them and they do not clash. */
function coloursAt(chart: Chart, scales: readonly (Scale | null)[], change: Change): Tone[] {
	const { index, chord } = change.to;
	return (scales[index]?.notes ?? []).flatMap(({ note, pc }) => {
		if (toneAt(chord, pc)) return [];
		const role = colourOver(chart, scales, index, pc);
		return role ? [asTone(note, role)] : [];
	});
}

/** The tonic of home over the chord of a change. */
export const homeAt = (home: Note, { to }: Change): Tone =>
	toneAt(to.chord, pitchClass(home)) ?? asTone(home, readOver(home, to.chord) as Role);

/** What a change may be landed on besides the tones of its chord. */
export function besideTones(
	{ chart, colours, home }: Pick<PlanRequest, 'chart' | 'colours' | 'home'>,
	change: Change
): readonly Tone[] {
	const tones = colours ? coloursAt(chart, colours.scales, change) : [];
	const own = home && homeAt(home, change);
	const known = own && [...change.to.chord.tones, ...tones].some(({ pc }) => pc === own.pc);
	return own && !known ? [...tones, own] : tones;
}
