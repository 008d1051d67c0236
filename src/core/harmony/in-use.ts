import type { Chart, Diagnostic } from '../chart';
import { nearestWord, type Key, type Mode } from '../chord';
import { noteName } from '../pitch';
import { keyOf } from './tonic';
import { buildScale, SCALE_NAMES, type Scale } from './scale';

const BY_MODE: Record<Mode, string> = {
	major: 'major',
	minor: 'natural minor',
	blues: 'minor pentatonic',
	dorian: 'dorian',
	phrygian: 'phrygian',
	lydian: 'lydian',
	mixolydian: 'mixolydian',
	locrian: 'locrian'
};

/** The scale that a key suggests: its mode's own, for a blues the minor pentatonic. */
export function scaleOfKey(key: Key): Scale {
	const scale = buildScale(key.tonic, BY_MODE[key.mode]);
	if (!scale) throw new Error(`the library lacks ${BY_MODE[key.mode]}`);
	return scale;
}

/** The scale in use for a chart (its `scale` header, or else by its key), and what is wrong with the header. */
export function scaleInUse(chart: Chart): { scale: Scale | null; diagnostic: Diagnostic | null } {
	const key = keyOf(chart);
	const byKey = key && scaleOfKey(key);
	const header = chart.headers.scale;
	if (!header) return { scale: byKey, diagnostic: null };
	const scale = buildScale(header.tonic, header.name);
	if (scale) return { scale, diagnostic: null };
	const near = nearestWord(header.name, SCALE_NAMES);
	return {
		scale: byKey,
		diagnostic: {
			...header.span,
			severity: 'error',
			message: `There is no scale “${header.name}” in the library; the key’s own scale is used.`,
			suggestion: near ? `${noteName(header.tonic)} ${near}` : null
		}
	};
}
