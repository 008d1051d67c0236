import type { Drill, Preset } from './drill';
import type { Rules } from './types';

/** What a preset asks, before what it is called. */
export const PRESET_WORDS: Record<Preset, { readonly name: string; readonly says: string }> = {
	roots: {
		name: 'Roots only',
		says: 'One note a change: its root, on time.'
	},
	'guide-tones': {
		name: 'Guide tones',
		says: 'Land on the third or the seventh; eighths between.'
	},
	arpeggios: {
		name: 'Arpeggios only',
		says: 'Nothing but tones of the chord that sounds.'
	},
	'arpeggios-scale': {
		name: 'Arpeggios and scale',
		says: 'Land on a chord tone, walk the scale between.'
	},
	free: {
		name: 'Free, with targets',
		says: 'Play what you like, and land on every change.'
	},
	answer: {
		name: 'Call and answer',
		says: 'Two bars played, two bars left to the others.'
	}
};

const LAND_WORDS = {
	roots: 'roots on every change',
	'guide-tones': 'guide tones on every change',
	any: 'a chord tone on every change'
} as const;
const GRID_WORDS = {
	targets: 'landings alone',
	quarter: 'quarters only',
	eighth: 'eighths only',
	triplet: 'triplets only',
	sixteenth: 'sixteenths only'
} as const;
const NOTE_WORDS = {
	scale: 'chord and scale',
	arpeggio: 'chord tones only',
	targets: 'nothing else'
};

const strings = (list: readonly number[]): string =>
	list.length === 1
		? `string ${list[0]}`
		: `strings ${list.slice(0, -1).join(', ')} and ${list[list.length - 1]}`;

/** The rules of a drill in a few words each, the landing first. */
function ruleWords(rules: Rules): string[] {
	const words: string[] = [LAND_WORDS[rules.landOn ?? 'any']];
	if (rules.notes && rules.notes !== 'any') words.push(NOTE_WORDS[rules.notes]);
	if (rules.grid) words.push(GRID_WORDS[rules.grid]);
	if (rules.strings) words.push(strings(rules.strings));
	if (rules.fret !== undefined) words.push(`fret ${rules.fret} only`);
	if (rules.colours === 'lean') words.push('colours are told');
	if (rules.colours === 'land') words.push('colours land too');
	if (rules.restBars && rules.restBars.length > 0) words.push('call and answer');
	return words;
}

/**
 * A drill on one line: `Tin Roof Ferry · position 6 · guide tones on every change · eighths only ·
 * 72→104`. ASCII note names.
 */
export function drillLine(title: string, drill: Drill, tuneKey: string | null): string {
	const { range, position, key, rules, ladder } = drill;
	const { start, ceiling } = ladder;
	return [
		title,
		...(range ? [`bars ${range.from + 1}–${range.to}`] : []),
		...(key !== null && key !== tuneKey ? [`in ${key}`] : []),
		rules.position === undefined ? `from position ${position}` : `position ${position}`,
		...ruleWords(rules),
		start === ceiling ? String(start) : `${start}→${ceiling}`
	].join(' · ');
}
