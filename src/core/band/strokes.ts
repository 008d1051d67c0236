/** A technique of the line as far as the ear is concerned. */
type Sounded = {
	readonly tick: number;
	readonly durationTicks: number;
	readonly midi: number;
	readonly technique: string | null;
	readonly kind?: string;
	/** The one time through in which it sounds; left out it sounds in each. */
	readonly round?: number;
};

/** A moment of a stroke where the pitch goes elsewhere: ticks, semitones from its first pitch, and how. */
type Move = {
	readonly tick: number;
	readonly semitones: number;
	/** `step`: at once, as under a hammering finger; `slide`, `bend`: on the way there, arriving at the tick. */
	readonly how: 'step' | 'slide' | 'bend';
};

/** What a held note does: `vibrato`, a quarter tone up (`curl`), or a trill with the semitone above. */
type Shake = {
	readonly from: number;
	readonly to: number;
	readonly semitones: number;
	readonly how: 'vibrato' | 'curl' | 'trill';
};

/** One touch of the pick: a string that sounds on through hammered, slid and bent notes. */
export type Stroke = {
	readonly tick: number;
	readonly durationTicks: number;
	readonly midi: number;
	readonly velocity: number;
	readonly moves: readonly Move[];
	readonly shakes: readonly Shake[];
	readonly round?: number;
};

const HOW: Record<string, Move['how']> = {
	'hammer-on': 'step',
	'pull-off': 'step',
	slide: 'slide',
	bend: 'bend'
};

const isShake = (technique: string | null): technique is Shake['how'] =>
	technique === 'vibrato' || technique === 'curl' || technique === 'trill';

/** Landings speak, other notes lead to them. */
const LEVEL = { target: 0.86, chord: 0.74, other: 0.68 } as const;

/**
 * The strokes of a line: slurred notes go on sounding with the stroke before, where they follow it without
 * a gap; else they are struck. Ticks of the notes ascend.
 */
export function strokesOfLine(notes: readonly Sounded[]): Stroke[] {
	const strokes: Stroke[] = [];
	for (const note of notes) {
		const shakes: Shake[] = [];
		const last = strokes.at(-1);
		const how = note.technique === null ? undefined : HOW[note.technique];
		const follows = last !== undefined && last.tick + last.durationTicks === note.tick;
		const joined = how && follows ? last : null;
		const from = joined ? joined.midi : note.midi;
		if (isShake(note.technique)) {
			shakes.push({
				from: note.tick,
				to: note.tick + note.durationTicks,
				semitones: note.midi - from,
				how: note.technique
			});
		}
		if (joined && how) {
			const move: Move = { tick: note.tick, semitones: note.midi - joined.midi, how };
			strokes[strokes.length - 1] = {
				...joined,
				durationTicks: note.tick + note.durationTicks - joined.tick,
				moves: [...joined.moves, move],
				shakes: [...joined.shakes, ...shakes]
			};
		} else {
			const { kind, round } = note;
			const velocity =
				kind === 'target' ? LEVEL.target : kind === 'chord' ? LEVEL.chord : LEVEL.other;
			strokes.push({
				tick: note.tick,
				durationTicks: note.durationTicks,
				midi: note.midi,
				velocity,
				moves: [],
				shakes,
				...(round === undefined ? {} : { round })
			});
		}
	}
	return strokes;
}

/** A point of a pitch curve: seconds from the stroke's onset, cents from its first pitch. */
export type CurvePoint = readonly [seconds: number, cents: number];

/** How long a slide and a bend take, at most, in seconds; of a short note at most the given share. */
const GLIDE = { slide: 0.09, bend: 0.16, share: 0.6 } as const;
const VIBRATO = { hertz: 5.4, cents: 22, after: 0.22, grow: 0.25 } as const;
const TRILL = { hertz: 7 } as const;
const CURL = { cents: 50, over: 0.28, after: 0.06 } as const;

/**
 * The pitch of a stroke over time, between whose points it moves in a straight line.
 * @param at seconds from the stroke's onset of a tick
 */
export function curveOf(stroke: Stroke, at: (tick: number) => number): CurvePoint[] {
	if (stroke.moves.length === 0 && stroke.shakes.length === 0) return [];
	const points: CurvePoint[] = [[0, 0]];
	let cents = 0;
	let free = 0;
	const events = [
		...stroke.moves.map((move) => ({ ...move, from: move.tick, kind: 'move' as const })),
		...stroke.shakes.map((shake) => ({ ...shake, kind: 'shake' as const }))
	].sort((a, b) => a.from - b.from || (a.kind === 'move' ? -1 : 1));
	for (const event of events) {
		const begin = at(event.from);
		if (event.kind === 'move') {
			const goal = 100 * event.semitones;
			if (event.how === 'step') {
				points.push([Math.max(free, begin - 0.002), cents], [begin, goal]);
			} else {
				const room = (begin - free) * GLIDE.share;
				const start = begin - Math.min(GLIDE[event.how], room);
				points.push([start, cents]);
				// A bend gives way slowly and then quickly; a slide runs evenly.
				if (event.how === 'bend') {
					points.push([start + (begin - start) * 0.5, cents + (goal - cents) * 0.3]);
				}
				points.push([begin, goal]);
			}
			cents = goal;
			free = begin;
			continue;
		}
		const end = at(event.to);
		if (event.how === 'curl') {
			const up = Math.min(begin + CURL.after + CURL.over, end);
			points.push([Math.min(begin + CURL.after, end), cents], [up, cents + CURL.cents]);
			cents += CURL.cents;
		} else if (event.how === 'trill') {
			const turns = Math.floor((end - begin) * TRILL.hertz * 2);
			for (let i = 1; i < turns; i++) {
				const when = begin + i / (2 * TRILL.hertz);
				const [low, high] = [cents, cents + 100];
				points.push([when - 0.002, i % 2 === 1 ? low : high], [when, i % 2 === 1 ? high : low]);
			}
			if (turns > 1 && turns % 2 === 0) points.push([end, cents + 100]);
		} else {
			const from = begin + VIBRATO.after;
			const quarter = 1 / (4 * VIBRATO.hertz);
			for (let i = 0; from + i * quarter < end - quarter; i++) {
				const grown = Math.min(1, (i * quarter) / VIBRATO.grow);
				// The finger pulls the string: the pitch swings above the note, back to it, never below.
				const swing = (1 - Math.cos((i * Math.PI) / 2)) / 2;
				points.push([from + i * quarter, cents + 2 * VIBRATO.cents * grown * swing]);
			}
		}
		free = end;
	}
	return points;
}
