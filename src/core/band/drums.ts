import type { Feel, PlayedBar } from '../chart';
import { chance, pick } from '../kernel';
import { fillFrom, fillStart } from './fill';
import { type Pulse, pulsesOf } from './metre';
import { type Hit, type BandNote, DRUMS } from './types';

/** What the drummer knows of a bar. `round` counts the times through, from 0. */
export type DrumBar = {
	readonly bar: PlayedBar;
	readonly round: number;
	/** A section begins, or ends, with this bar. */
	readonly opens: boolean;
	readonly closes: boolean;
	/** Nobody plays chords: the drummer keeps time only. */
	readonly silent: boolean;
	/** Ticks in the bar where a chord comes early: the drummer goes along. */
	readonly pushes: readonly number[];
};
type Groove = (pulse: Pulse, of: number, seed: readonly [number, number]) => Hit[];

const { kick, snare, hat, pedal, ride, rim, swirl } = DRUMS;

/** The parts of a beat: halves, or thirds where eighths come in threes. */
const parts = ({ length }: Pulse): number[] =>
	length === 720 ? [0, 240, 480] : Array.from({ length: length / 240 }, (_, i) => i * 240);

const straight: Groove = (pulse, _of, seed) => {
	const { offset, leads, answers } = pulse;
	const hits: Hit[] = parts(pulse).map((at) => [offset + at, hat, at === 0 ? 0.62 : 0.42]);
	if (leads) hits.push([offset, kick, 0.86]);
	if (answers) hits.push([offset, snare, 0.84]);
	// The kick leads into the second half in one of three ways, the same through a round of the tune.
	const way = pick(['and', 'both', 'plain'] as const, seed[0] >> 2, seed[1], 3);
	if (way !== 'plain' && answers) hits.push([offset + pulse.length / 2, kick, 0.68]);
	if (way === 'both' && leads && pulse.index > 0) {
		hits.push([offset + pulse.length / 2, kick, 0.6]);
	}
	return hits;
};

const swing: Groove = (pulse, _of, seed) => {
	const { offset, length, answers, index } = pulse;
	const hits: Hit[] = [[offset, ride, answers ? 0.62 : 0.52]];
	const late = offset + (length === 720 ? 480 : 240);
	if (answers) hits.push([late, ride, 0.4], [offset, pedal, 0.5]);
	hits.push([offset, kick, 0.26]);
	// A word from the snare now and then, never on the beat.
	if (chance(seed[0], seed[1], index, 11) < 0.22) hits.push([late, snare, 0.26]);
	return hits;
};

const shuffle: Groove = (pulse, _of, seed) => {
	const { offset, length, leads, answers, index } = pulse;
	const late = offset + (length === 720 ? 480 : 240);
	const hits: Hit[] = [
		[offset, hat, answers ? 0.5 : 0.6],
		[late, hat, 0.44]
	];
	if (leads) hits.push([offset, kick, 0.82]);
	if (answers) hits.push([offset, snare, 0.8], [late, snare, 0.16]);
	else hits.push([late, snare, 0.14]);
	if (answers && chance(seed[0], seed[1], index, 5) < 0.4) hits.push([late, kick, 0.56]);
	return hits;
};

const waltz: Groove = (pulse, of, seed) => {
	const { offset, index, length } = pulse;
	const hits: Hit[] = [[offset, ride, index === 0 ? 0.56 : 0.44]];
	if (index === 0) hits.push([offset, kick, 0.6]);
	else hits.push([offset, pedal, 0.4], [offset, swirl, 0.22]);
	const mid = index === Math.floor(of / 2);
	if (mid) hits.push([offset + length / 2, ride, 0.34]);
	if (index === of - 1 && chance(seed[0], seed[1], 23) < 0.3)
		hits.push([offset + length / 2, snare, 0.24]);
	return hits;
};

const ballad: Groove = ({ offset, length, leads, answers, index }, _of, seed) => {
	const hits: Hit[] = [];
	if (leads) hits.push([offset, swirl, 0.4], [offset, kick, index === 0 ? 0.5 : 0.34]);
	if (answers) hits.push([offset, rim, 0.4], [offset, pedal, 0.34]);
	hits.push([offset, ride, leads ? 0.34 : 0.26]);
	if (answers && chance(seed[0], seed[1], index, 7) < 0.35)
		hits.push([offset + length / 2, snare, 0.2]);
	return hits;
};

const sixteenths: Groove = (pulse, _of, seed) => {
	const { offset, length, leads, answers, index } = pulse;
	const step = length === 720 ? 240 : 120;
	const levels = [0.6, 0.3, 0.46, 0.28];
	const hits: Hit[] = Array.from({ length: length / step }, (_, i) => [
		offset + i * step,
		hat,
		levels[i % 4]!
	]);
	if (leads) hits.push([offset, kick, 0.86]);
	if (answers) hits.push([offset, snare, 0.84]);
	const way = pick([0, 1, 2], seed[0] >> 2, seed[1], 9);
	if (leads) hits.push([offset + length - step, way === 0 ? snare : kick, way === 0 ? 0.2 : 0.6]);
	if (leads && index > 0) hits.push([offset + length / 2, kick, 0.72]);
	if (answers && way !== 2) hits.push([offset + length - step, snare, 0.2]);
	return hits;
};

const GROOVES: Record<Feel, Groove> = { straight, swing, shuffle, waltz, ballad, sixteenths };

/** Where nobody else plays: the hat on every beat. */
const timeOnly: Groove = ({ offset, answers }) => [[offset, pedal, answers ? 0.5 : 0.4]];

/** A drummer's two strokes never hit one drum at one moment: the louder one stays. */
function loudest(hits: readonly Hit[]): Hit[] {
	const best = new Map<string, Hit>();
	for (const hit of hits) {
		const key = `${hit[0]} ${hit[1]}`;
		const other = best.get(key);
		if (!other || hit[2] > other[2]) best.set(key, hit);
	}
	return [...best.values()].sort((a, b) => a[0] - b[0] || a[1] - b[1]);
}

/** Ticks that a stroke is written with: long enough to be seen in a file. */
const STROKE = 60;

/** The drums of one bar: the groove of the feel, a fill into the next section, a crash where one begins. */
export function drumBar(feel: Feel, of: DrumBar): BandNote[] {
	const { bar, round, opens, closes, silent, pushes } = of;
	const pulses = pulsesOf(bar.signature);
	const groove = silent ? timeOnly : GROOVES[feel];
	const seed = [bar.index, round] as const;
	let hits = pulses.flatMap((pulse) => groove(pulse, pulses.length, seed));
	const early = silent ? [] : pushes.map((at): Hit => [at, kick, 0.7]);
	hits = [...hits, ...early].filter(([at]) => at < bar.lengthTicks);
	if (closes && !silent) {
		const from = fillStart(feel, pulses);
		hits = [
			...hits.filter(([at, key]) => at < from || key === kick),
			...fillFrom(feel, pulses, from, seed)
		];
	}
	if (opens && !silent) {
		hits = hits.filter(([at, key]) => at > 0 || (key !== hat && key !== ride));
		const soft = feel === 'ballad' || feel === 'waltz' || feel === 'swing';
		hits.push([0, DRUMS.crash, soft ? 0.36 : 0.66], [0, kick, soft ? 0.5 : 0.9]);
	}
	return loudest(hits).map(([at, midi, level], i) => ({
		part: 'drums',
		tick: bar.startTick + at,
		durationTicks: midi === swirl ? 2 * STROKE * 4 : STROKE,
		midi,
		velocity: Math.min(1, level * (0.93 + 0.14 * chance(bar.index, round, i, 2)))
	}));
}
