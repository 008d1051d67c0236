import type { Feel, PlayedBar } from '../chart';
import type { Chord } from '../chord';
import { pitchClass } from '../pitch';
import { chance, clamp } from '../kernel';
import { pulsesOf } from './metre';
import type { Stretch } from './timeline';
import type { BandNote } from './types';

/** The bass stays here: E1 to C3, roots by preference around A1. */
export const BASS = { low: 28, high: 48, root: 34 } as const;

/** What the bass player knows of a bar. */
export type BassBar = {
	readonly bar: PlayedBar;
	readonly round: number;
	readonly stretches: readonly Stretch[];
	/** The bass note is the same before or after under another chord: it is held. */
	readonly pedal: (event: number) => boolean;
	/** Ticks into the next bar until the bass plays after its first beat. */
	readonly ringOn: number;
	/** The root of the next chord is this pitch, so that the line leads there. */
	readonly rootOf: (chord: Chord) => number;
};

/** The pitch of a class that is nearest to a wanted one, inside the bass. */
export function bassPitch(pc: number, near: number): number {
	const base = near + ((((pc - near) % 12) + 18) % 12) - 6;
	if (base < BASS.low) return base + 12;
	return base > BASS.high ? base - 12 : base;
}

/** What a chord rests on: the note after a slash, else its root. */
export const bassClass = (chord: Chord): number => pitchClass(chord.bass ?? chord.root);

/** When the bass plays in a bar: ticks from its start and how long, in felt beats' terms. */
type Beat = { readonly offset: number; readonly length: number; readonly level: number };

/** How long the first note of a bar sounds. */
export const firstLength = (feel: Feel, bar: PlayedBar): number => rhythm(feel, bar)[0]!.length;

function rhythm(feel: Feel, bar: PlayedBar): Beat[] {
	const pulses = pulsesOf(bar.signature);
	const every = pulses.map(({ offset, length, leads }) => ({
		offset,
		length,
		level: leads ? 0.8 : 0.7
	}));
	if (feel === 'swing' || feel === 'shuffle') return every;
	if (feel === 'waltz') {
		const last = pulses[pulses.length - 1]!;
		return pulses.length < 3
			? every
			: [
					{ offset: 0, length: last.offset, level: 0.78 },
					{ offset: last.offset, length: last.length, level: 0.6 }
				];
	}
	const groups = pulses.filter((pulse) => pulse.leads);
	const long = groups.map(({ offset }, i) => ({
		offset,
		length: (groups[i + 1]?.offset ?? bar.lengthTicks) - offset,
		level: i === 0 ? 0.78 : 0.68
	}));
	if (feel === 'ballad') return long;
	// Straight and sixteenths: a long note on each group's first beat, and a short one that leads on.
	const short = feel === 'sixteenths' ? 120 : 240;
	return long.flatMap((beat, i) => {
		if (beat.length <= 480) return [beat];
		const lead = feel === 'sixteenths' && i === 0 ? 360 : beat.length - short;
		const rest = beat.offset + lead;
		return [
			{ ...beat, length: lead },
			{ offset: rest, length: beat.offset + beat.length - rest, level: 0.6 }
		];
	});
}

/** The moments at which the bass plays a stretch: its start, then the beats of the rhythm inside it. */
function momentsIn(stretch: Stretch, of: BassBar, beats: readonly Beat[]): Beat[] {
	const { bar, ringOn } = of;
	const from = stretch.from - bar.startTick;
	const to = stretch.to - bar.startTick;
	// The beat that a chord was pushed from is not played again.
	const tied = stretch.tiedTo === null ? -1 : stretch.tiedTo - bar.startTick;
	const inside = beats.filter(({ offset }) => offset >= from && offset < to && offset > tied);
	const struck =
		stretch.begins && inside[0]?.offset !== from
			? [{ offset: from, length: 0, level: 0.8 }, ...inside]
			: inside;
	return struck.map((beat, i) => {
		const next = struck[i + 1]?.offset;
		// Pushed over the bar line it rings on until the bass plays there again.
		const over =
			next === undefined && tied >= to ? Math.min(ringOn, stretch.untilNext - (to - from)) : 0;
		const until = Math.min(to, next ?? to) + over;
		const own = beat.length > 0 ? beat.offset + beat.length : until;
		return { ...beat, length: Math.max(60, clamp(from, own, until) - beat.offset) };
	});
}

/** A note into the next root: by a semitone, by a scale step of the chord that sounds, or from its fifth. */
function approach(last: number, goal: number, chord: Chord, seed: number): number {
	const tones = new Set(chord.tones.map((tone) => tone.pc));
	const around = [goal - 1, goal + 1, goal - 2, goal + 2, goal + 7, goal - 5].filter(
		(pitch) => pitch >= BASS.low && pitch <= BASS.high && pitch !== last
	);
	const cost = (pitch: number) => {
		const step = Math.abs(pitch - goal);
		const from = Math.abs(pitch - last);
		const direction = Math.sign(goal - last);
		const along = direction !== 0 && Math.sign(goal - pitch) === direction ? 0 : 1;
		const fits = tones.has(((pitch % 12) + 12) % 12) ? -1.5 : step === 1 ? 0 : 0.8;
		return fits + along + Math.max(0, from - 5) * 0.5 + chance(seed, pitch) * 1.2;
	};
	return around.sort((a, b) => cost(a) - cost(b))[0] ?? goal;
}

/** Chord tones inside the bass, upward. */
const ladder = (classes: readonly number[]): number[] =>
	Array.from({ length: BASS.high - BASS.low + 1 }, (_, i) => BASS.low + i).filter((pitch) =>
		classes.includes(pitch % 12)
	);

const classesOf = (chord: Chord): number[] =>
	chord.tones.filter((tone) => tone.essential && !/9|11|13/.test(tone.role)).map((tone) => tone.pc);

/** The next note of a walk: a chord tone near the last one, on the way to where the line goes. */
function walkOn(last: number, root: number, goal: number, chord: Chord, seed: number): number {
	const tones = ladder(classesOf(chord)).filter((pitch) => pitch !== last);
	const cost = (pitch: number) =>
		Math.abs(pitch - last) * 0.5 +
		Math.abs(pitch - goal) * 0.25 +
		(pitch % 12 === root % 12 ? 0.8 : 0) +
		chance(seed, pitch) * 1.4;
	return [...tones].sort((a, b) => cost(a) - cost(b))[0] ?? root;
}

const fifthOf = (chord: Chord): number | null =>
	chord.tones.find((tone) => /^[b#]?5$/.test(tone.role))?.pc ?? null;

/** The bass of one bar. */
export function bassBar(feel: Feel, of: BassBar): BandNote[] {
	const { bar, round, stretches, pedal, rootOf } = of;
	const beats = rhythm(feel, bar);
	const walks = feel === 'swing' || feel === 'shuffle';
	const notes: BandNote[] = [];
	for (const stretch of stretches) {
		const { chord } = stretch;
		if (!chord) continue;
		const root = rootOf(chord);
		const held = pedal(stretch.event);
		const goal = stretch.next ? rootOf(stretch.next) : root;
		const moments = momentsIn(stretch, of, beats);
		let last = root;
		moments.forEach((moment, i) => {
			const tick = bar.startTick + moment.offset;
			const seed = Math.floor(chance(bar.index, round, moment.offset) * 1e6);
			const left = stretch.from + stretch.untilNext - tick;
			const leads = i > 0 && stretch.next !== null && left <= Math.max(moment.length, 240);
			let midi = root;
			if (held) midi = i % 2 === 1 && walks && root + 12 <= BASS.high ? root + 12 : root;
			else if (leads && goal % 12 !== last % 12) midi = approach(last, goal, chord, seed);
			else if (i > 0 && walks) midi = walkOn(last, root, goal, chord, seed);
			else if (i > 0) {
				const fifth = fifthOf(chord);
				const lone = moments.length === 2 || i === 2 || (feel === 'sixteenths' && i % 2 === 1);
				const octave = feel === 'sixteenths' && i === 1 && root + 12 <= BASS.high;
				if (octave) midi = root + 12;
				else if (fifth !== null && lone) midi = bassPitch(fifth, root + 3);
			}
			last = midi;
			const short = feel === 'sixteenths' || feel === 'straight' ? 0.86 : 0.93;
			notes.push({
				part: 'bass',
				tick,
				durationTicks: Math.max(60, Math.round(moment.length * short)),
				midi,
				velocity: Math.min(1, moment.level * (0.93 + 0.14 * chance(bar.index, round, i, 31)))
			});
		});
	}
	return notes;
}
