import { QUARTER } from '../kernel';
import { does, isAlso, isDead, isReached, type Playing } from '../route';

/** A note of the line as far as the ear is concerned; several may sound at once, each on its string. */
type Sounded = Partial<Playing> & {
	readonly tick: number;
	readonly durationTicks: number;
	readonly midi: number;
	readonly string?: number;
	readonly fret?: number;
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

/** What a held note does: `vibrato`, a quarter tone up (`curl`), or a trill with a note so many semitones above. */
type Shake = {
	readonly from: number;
	readonly to: number;
	readonly semitones: number;
	readonly how: 'vibrato' | 'curl' | 'trill';
	readonly width?: number;
};

/** One touch of the pick: a string that sounds on through hammered, slid and bent notes. */
export type Stroke = {
	readonly tick: number;
	readonly durationTicks: number;
	readonly midi: number;
	readonly velocity: number;
	/** Semitones from `midi` at which it begins: a string that is bent already, a finger that slides in. */
	readonly from?: number;
	/** The palm lies on the strings, or the fingers mute them. */
	readonly damped?: 'palm' | 'dead';
	readonly moves: readonly Move[];
	readonly shakes: readonly Shake[];
	readonly round?: number;
};

const HOW: Record<string, Move['how']> = {
	'hammer-on': 'step',
	'pull-off': 'step',
	slide: 'slide',
	bend: 'bend',
	release: 'bend'
};

/** Landings speak, other notes lead to them; a muted string is softer. */
const LEVEL = { target: 0.86, chord: 0.74, other: 0.68, damped: 0.55 } as const;

/** How long, in ticks, a grace note is, a slide from or to nowhere takes, and a bend, at most and of its note. */
const TIME = { grace: 40, slide: 80, bend: 200, share: 0.45 } as const;
/** Semitones of a slide that comes from no note, or goes to none. */
const NOWHERE = 3;
/** A string that is left ringing does so for two bars of four quarters at most. */
const RING = 8 * QUARTER;

/** What is struck with a finger that comes from elsewhere, and where the string goes while it rings. */
function motionOf(note: Sounded, from: number): { start: number; moves: Move[] } {
	const { tick, durationTicks, technique, grace, fret, bend } = note;
	const moves: Move[] = [];
	const within = (most: number, share: number) => Math.round(Math.min(most, share * durationTicks));
	let start = from;
	if (grace !== undefined && fret !== undefined && technique && HOW[technique]) {
		start = from + grace - fret;
		moves.push({
			tick: tick + within(TIME.grace, TIME.share),
			semitones: from,
			how: HOW[technique]
		});
	} else if (technique === 'slide-from-below' || technique === 'slide-from-above') {
		start = from + (technique === 'slide-from-below' ? -NOWHERE : NOWHERE);
		moves.push({ tick: tick + within(TIME.slide, TIME.share), semitones: from, how: 'slide' });
	}
	if (bend !== undefined) {
		const down = isAlso(note, 'release');
		const up = down ? TIME.share / 1.5 : TIME.share;
		if (technique === 'pre-bend') start = from + bend;
		else {
			moves.push({ tick: tick + within(TIME.bend, up), semitones: from + bend, how: 'bend' });
		}
		if (down) {
			const back = Math.round(durationTicks * (technique === 'pre-bend' ? 0.5 : 0.75));
			moves.push({ tick: tick + back, semitones: from, how: 'bend' });
		}
	}
	const away = isAlso(note, 'slide-away-up') ? 1 : isAlso(note, 'slide-away-down') ? -1 : 0;
	if (away !== 0) {
		const top = from + (bend ?? 0);
		moves.push({ tick: tick + durationTicks, semitones: top + away * NOWHERE, how: 'slide' });
	}
	return { start, moves };
}

const SHAKES = ['curl', 'vibrato', 'trill'] as const;

function shakesOf(note: Sounded, from: number, moves: readonly Move[]): Shake[] {
	const arrived = moves.find(({ how }) => how === 'bend')?.tick ?? note.tick;
	return SHAKES.filter((how) => does(note, how)).map((how): Shake => ({
		from: how === 'trill' ? note.tick : arrived,
		to: note.tick + note.durationTicks,
		semitones: from,
		how,
		...(how === 'trill' && note.trill !== undefined ? { width: note.trill } : {})
	}));
}

/** When each string is struck again: until then a note that is left ringing sounds. */
function endsOf(notes: readonly Sounded[]): number[] {
	const next = new Map<number, number>();
	const ends = new Array<number>(notes.length);
	for (let i = notes.length - 1; i >= 0; i--) {
		const note = notes[i]!;
		const end = note.tick + note.durationTicks;
		const key = note.string ?? -1;
		const again = next.get(key) ?? Infinity;
		const long = isAlso(note, 'staccato')
			? note.tick + Math.round(note.durationTicks / 2)
			: isAlso(note, 'let-ring')
				? Math.max(end, Math.min(again, note.tick + RING))
				: end;
		ends[i] = Math.min(long, Math.max(again, note.tick + 1));
		next.set(key, note.tick);
	}
	return ends;
}

/**
 * The strokes of a line: slurred notes go on sounding with the stroke before on their string, where they follow it without
 * a gap; else they are struck. A grace note that is slurred is struck in its note's place, one that is not a little before.
 * Ticks of the notes ascend.
 */
export function strokesOfLine(notes: readonly Sounded[]): Stroke[] {
	const strokes: Stroke[] = [];
	/** The stroke that each string sounds with, as an index, and where its last written note ends. */
	const last = new Map<number, { readonly at: number; readonly end: number }>();
	const ends = endsOf(notes);
	notes.forEach((note, i) => {
		const { tick, midi, technique, grace, fret, kind, round } = note;
		const key = note.string ?? -1;
		const before = last.get(key);
		const stroke = before && strokes[before.at];
		const how = isReached(note) && technique ? HOW[technique] : undefined;
		const joined = how && stroke && grace === undefined && before.end === tick ? stroke : null;
		const end = ends[i]!;
		const from = joined ? midi - joined.midi : 0;
		const { start, moves } = motionOf(note, from);
		const shakes = shakesOf(note, from, moves);
		if (joined && how && before) {
			const move: Move = { tick, semitones: from, how };
			strokes[before.at] = {
				...joined,
				durationTicks: end - joined.tick,
				moves: [...joined.moves, move, ...moves],
				shakes: [...joined.shakes, ...shakes]
			};
			last.set(key, { at: before.at, end: tick + note.durationTicks });
			return;
		}
		const damped = isDead(note) ? 'dead' : isAlso(note, 'palm-mute') ? 'palm' : null;
		const level =
			damped !== null
				? LEVEL.damped
				: kind === 'target'
					? LEVEL.target
					: kind === 'chord'
						? LEVEL.chord
						: LEVEL.other;
		const rounds = round === undefined ? {} : { round };
		if (grace !== undefined && fret !== undefined && !how && tick > 0) {
			const early = Math.max(0, tick - TIME.grace);
			if (stroke && stroke.tick < early && stroke.tick + stroke.durationTicks > early) {
				strokes[before.at] = { ...stroke, durationTicks: early - stroke.tick };
			}
			strokes.push({
				...{ tick: early, durationTicks: tick - early, midi: midi + grace - fret },
				...{ velocity: LEVEL.other, moves: [], shakes: [], ...rounds }
			});
		}
		strokes.push({
			...{ tick, durationTicks: end - tick, midi, velocity: level, moves, shakes },
			...(start === 0 ? {} : { from: start }),
			...(damped === null ? {} : { damped }),
			...rounds
		});
		last.set(key, { at: strokes.length - 1, end: tick + note.durationTicks });
	});
	return strokes.sort((a, b) => a.tick - b.tick);
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
	const first = 100 * (stroke.from ?? 0);
	if (stroke.moves.length === 0 && stroke.shakes.length === 0 && first === 0) return [];
	const points: CurvePoint[] = [[0, first]];
	let cents = first;
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
			const width = 100 * (event.width ?? 1);
			const turns = Math.floor((end - begin) * TRILL.hertz * 2);
			for (let i = 1; i < turns; i++) {
				const when = begin + i / (2 * TRILL.hertz);
				const [low, high] = [cents, cents + width];
				points.push([when - 0.002, i % 2 === 1 ? low : high], [when, i % 2 === 1 ? high : low]);
			}
			if (turns > 1 && turns % 2 === 0) points.push([end, cents + width]);
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
