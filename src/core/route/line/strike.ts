import { hasRole } from '../../chord';
import { notation } from '../../pitch';
import { APPROACHES } from './approach';
import { notesOf } from './compose';
import type { Traits } from './techniques';
import type { Stretch } from './lattice';
import type { Pools } from './moments';
import type { Candidate } from './pool';
import type { Onset } from './rhythm';
import type { LineNote } from './types';
import type { Choice } from './vary';

/** Notes as they are struck, without names and techniques yet, and what decides how each is played. */
type Struck = { readonly notes: readonly LineNote[]; readonly traits: readonly Traits[] };

/** The player's own fingers, by `tick string fret`. */
export type OwnFingers = ReadonlyMap<string, number>;

const memory = new WeakMap<Stretch, Struck & { readonly way: unknown; readonly start: Onset }>();

/**
 * The notes that a stretch puts into the line: its first target, then what leads on to the next. A stretch that came
 * through unchanged is not written out again, unless the player has fingers of their own.
 * @param start when its first target is struck
 */
export function strike(
	stretch: Stretch,
	{ strand, kind: arrival }: Choice,
	start: Onset,
	pools: Pools,
	own: OwnFingers
): Struck {
	const way = strand.ways[arrival] ?? null;
	const known = memory.get(stretch);
	if (known?.way === way && known.start === start && own.size === 0) return known;
	const notes: LineNote[] = [];
	const traits: Traits[] = [];
	const add = (onset: Onset, note: Candidate, kind: LineNote['kind']) => {
		const { string, fret, midi, tone } = note;
		const { tick } = onset;
		const wanted = own.size > 0 ? own.get(`${tick} ${string} ${fret}`) : undefined;
		notes.push({
			tick,
			durationTicks: onset.end - tick,
			string,
			fret,
			midi,
			name: notation(''),
			role: tone?.role ?? null,
			kind,
			finger: fret === 0 ? null : (wanted ?? onset.own?.finger ?? note.finger),
			technique: null,
			chord: onset.event.index
		});
		traits.push({
			blue: note.blue && hasRole(onset.event.chord, '3'),
			neighbour: kind === 'target' && neighboured(pools, onset, stretch.position, note)
		});
	};
	add(start, stretch.from.candidates[0]!, 'target');
	const encloses = APPROACHES[arrival] === 'enclosure';
	notesOf(stretch, way).forEach((note, k) => {
		const left = stretch.moments.length - k;
		add(stretch.moments[k]!.onset, note, encloses && left <= 2 ? 'enclosure' : kindOf(note));
	});
	const struck = { way, start, notes, traits };
	if (own.size === 0) memory.set(stretch, struck);
	return struck;
}

/** What a note between targets is over its chord. */
function kindOf({ tone, degree }: Candidate): LineNote['kind'] {
	if (tone) return 'chord';
	return degree ? 'passing' : 'chromatic';
}

/** The scale or the chord has the fret after a place too, and the hand reaches it. */
const neighboured = (
	pools: Pools,
	onset: Onset,
	position: number,
	{ string, fret }: Candidate
): boolean =>
	pools
		.free(onset, position, null)
		.candidates.some(
			(other) => other.string === string && other.fret === fret + 1 && other.verdict !== 'clash'
		);
