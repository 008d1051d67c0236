import { does, isAlso, isReached } from '$core/route';
import { bendWords, joinedTo, type DrawnNote } from './played-signs';

/** Where a note stands, in px, and where its sound ends. */
export type Spot = { readonly x: number; readonly y: number; readonly end: number };

/** A stroke of the pen, a word beside a note, or both. */
export type TechniqueMark = {
	readonly key: string;
	readonly d: string | null;
	/** Filled heads of arrows and dots. */
	readonly head: string | null;
	readonly text: { readonly x: number; readonly y: number; readonly says: string } | null;
};

const wave = (x: number, y: number, length: number): string => {
	const turns = Math.max(2, Math.min(6, Math.floor(length / 6)));
	return `M${x},${y}${'q1.5,-4 3,0t3,0'.repeat(turns)}`;
};

const arrow = (x: number, y: number, down = false): string =>
	down ? `M${x - 3.5},${y - 5}h7l-3.5,6Z` : `M${x - 3.5},${y + 5}h7l-3.5,-6Z`;

/**
 * How the notes of a line are played, drawn one way in strip, tab and stand view: slides as lines, hammers and pulls as
 * slurs, bends as arrows with their amount, vibrato as a wave, a grace note small before its note.
 * @param size of a note, in px
 * @param ring a grace note is a small ring, as on the strip, instead of its fret
 */
export function techniqueMarks<T extends DrawnNote>(
	notes: readonly T[],
	spotOf: (note: T) => Spot | null,
	{ size, ring = false }: { readonly size: number; readonly ring?: boolean }
): TechniqueMark[] {
	const joined = joinedTo(notes);
	const marks: TechniqueMark[] = [];
	for (const note of notes) {
		const spot = spotOf(note);
		if (!spot) continue;
		const { x, y } = spot;
		const id = `${note.tick} ${note.string}`;
		const put = (
			key: string,
			d: string | null,
			text: TechniqueMark['text'] = null,
			head: string | null = null
		) => marks.push({ key: `${id} ${key}`, d, text, head });
		const r = size / 2;
		const before = joined.get(note);
		const from = before && isReached(note) && note.grace === undefined ? spotOf(before) : null;
		const { technique } = note;
		const rises = before ? note.fret > before.fret : true;
		if (from && technique === 'slide') {
			const lift = from.y === y ? (rises ? 3 : -3) : 0;
			put('slide', `M${from.x + r},${from.y + lift}L${x - r},${y - lift}`);
		} else if (from && (technique === 'hammer-on' || technique === 'pull-off')) {
			const top = Math.min(from.y, y) - r - 5;
			const middle = (from.x + x) / 2;
			put('slur', `M${from.x + 2},${from.y - r + 1}Q${middle},${top} ${x - 2},${y - r + 1}`);
		} else if (from && (technique === 'bend' || technique === 'release')) {
			const up = technique === 'bend';
			const to = y - (up ? r + 2 : -r);
			put(
				'bend',
				`M${from.x + r},${from.y}Q${x - r - 3},${from.y} ${x - r - 2},${to}`,
				null,
				arrow(x - r - 2, to, !up)
			);
		}
		if (note.grace !== undefined) {
			const gx = Math.max(6, x - size - 4);
			const rise = note.grace < note.fret ? 4 : -4;
			const lead = `M${gx + 5},${y + rise}L${x - r},${y}`;
			if (ring) put('grace', `${lead}M${gx - 3},${y + rise}a4,4 0 1,0 8,0a4,4 0 1,0 -8,0`);
			else put('grace', lead, { x: gx, y: y + 4, says: String(note.grace) });
		}
		if (technique === 'slide-from-below' || technique === 'slide-from-above') {
			const dy = technique === 'slide-from-below' ? 6 : -6;
			put('in', `M${x - r - 8},${y + dy}L${x - r},${y}`);
		}
		if (isAlso(note, 'slide-away-up') || isAlso(note, 'slide-away-down')) {
			const dy = isAlso(note, 'slide-away-up') ? -6 : 6;
			put('away', `M${x + r},${y}L${x + r + 9},${y + dy}`);
		}
		const bend = note.bend ?? (does(note, 'curl') ? 0.5 : null);
		if (bend !== null) {
			const [bx, top] = [x + r + 7, y - r - 9];
			const pre = technique === 'pre-bend';
			const path = pre ? `M${x},${y - r}V${top}` : `M${x + r},${y}Q${bx},${y} ${bx},${top}`;
			const ax = pre ? x : bx;
			put('up', path, { x: ax, y: top - 4, says: bendWords(bend) }, arrow(ax, top));
			if (isAlso(note, 'release')) {
				const rx = ax + 9;
				put('down', `M${ax},${top}Q${rx},${top} ${rx},${y - 2}`, null, arrow(rx, y - 2, true));
			}
		}
		if (does(note, 'vibrato')) {
			const room = Math.max(14, Math.min(40, spot.end - x - r));
			put('vibrato', wave(x + r + 3, bend === null ? y : y + 4, room));
		}
		const words = [
			does(note, 'trill')
				? `tr${note.trill === undefined ? '' : ` ${note.fret + note.trill}`}`
				: '',
			technique === 'tap' ? 'tap' : '',
			isAlso(note, 'palm-mute') ? 'PM' : '',
			isAlso(note, 'let-ring') ? 'ring' : ''
		].filter((word) => word !== '');
		if (words.length > 0) put('said', null, { x, y: y - r - 4, says: words.join(' ') });
		if (isAlso(note, 'staccato')) {
			put('short', null, null, `M${x - 2},${y + r + 3}a2,2 0 1,0 4,0a2,2 0 1,0 -4,0`);
		}
	}
	return marks;
}
