import { draws } from '../kernel';
import { dueChanges, msOf, roundMs } from './due';
import { performed, ticksOf } from '../band';
import { toneAt } from '../chord';
import { pitchAt, windowPlaces, type Instrument, type Place } from '../neck';
import type { PlayedEvent, Timing } from './types';

/** How well the simulated player plays. Times in ms, shares 0 … 1. */
export type Skill = {
	/** Standard deviation of the timing. */
	readonly spreadMs: number;
	/** How late it plays throughout; negative hurries. */
	readonly biasMs: number;
	/** Share of landings that go to a wrong note. */
	readonly wrongShare: number;
	/** Share of landings that are left out. */
	readonly silentShare: number;
	/** How much later a far jump comes: ms for each fret or string beyond a hand's easy reach. */
	readonly hesitationMs: number;
	readonly seed: number;
};

/** Players that ship with the app. */
export const SKILLS = {
	beginner: {
		spreadMs: 55,
		biasMs: 25,
		wrongShare: 0.22,
		silentShare: 0.06,
		hesitationMs: 28,
		seed: 1
	},
	steady: {
		spreadMs: 22,
		biasMs: 8,
		wrongShare: 0.06,
		silentShare: 0.01,
		hesitationMs: 9,
		seed: 1
	},
	sure: { spreadMs: 9, biasMs: 2, wrongShare: 0, silentShare: 0, hesitationMs: 0, seed: 1 }
} as const satisfies Record<string, Skill>;
export type SkillName = keyof typeof SKILLS;

/** A note of the plan that the simulated player reads. Ticks of the chart. */
export type PlanNote = Place & {
	readonly tick: number;
	readonly durationTicks: number;
	readonly midi: number;
	/** The change that it lands on, null between landings. */
	readonly change: number | null;
};

/** Frets and strings that a hand crosses without thinking. */
const EASY = 3;

const far = (from: Place | null, to: Place): number =>
	from === null
		? 0
		: Math.max(0, Math.abs(from.fret - to.fret) + Math.abs(from.string - to.string) - EASY);

/** A wrong note near by: a neighbour in the window that the chord does not have, else a semitone off. */
function slipped(
	instrument: Instrument,
	position: number,
	note: PlanNote,
	isTone: (midi: number) => boolean,
	random: () => number
): number {
	const near = windowPlaces(instrument, position)
		.map((place) => place.midi)
		.filter((midi) => Math.abs(midi - note.midi) <= 2 && !isTone(midi));
	if (near.length > 0) return near[Math.floor(random() * near.length) % near.length]!;
	return isTone(note.midi + 1) ? note.midi - 1 : note.midi + 1;
}

/**
 * Plays a plan as a player of this skill would, through all times of the timing; the same seed plays the
 * same take.
 * @param notes the line or the landings, in ticks of the chart
 * @returns events in order of time, from the first beat of the range
 */
export function simulate(
	timing: Timing,
	instrument: Instrument,
	position: number,
	notes: readonly PlanNote[],
	skill: Skill
): PlayedEvent[] {
	const { chart, range, swing, tempo, loops } = timing;
	const random = draws(skill.seed);
	const { from, to } = ticksOf(chart, range);
	const round = roundMs(timing);
	const due = new Map(dueChanges({ ...timing, loops: 1 }).map((at) => [at.change.index, at]));
	const moment = (tick: number) => msOf(Math.max(0, performed(chart, tick, swing) - from), tempo);
	const asked = notes.filter(({ tick, change }) =>
		change === null ? tick >= from && tick < to : due.has(change)
	);
	const events: PlayedEvent[] = [];
	let hand: Place | null = null;
	for (let loop = 0; loop < loops; loop++) {
		for (const note of asked) {
			const landing = note.change === null ? null : (due.get(note.change) ?? null);
			const start = landing?.dueMs ?? moment(note.tick);
			const length = Math.max(40, moment(note.tick + note.durationTicks) - moment(note.tick));
			// The same numbers are drawn for every note, so that one change of skill changes nothing else.
			const [off, wrong, silent, which] = [gauss(random), random(), random(), random()];
			const late = skill.hesitationMs * far(hand, note);
			hand = note;
			if (landing && silent < skill.silentShare) continue;
			const { chord } = landing ? chart.changes[landing.change.index]!.to : { chord: null };
			const missed = landing !== null && chord !== null && wrong < skill.wrongShare;
			const isTone = (midi: number) => chord !== null && toneAt(chord, midi) !== undefined;
			events.push({
				timeMs: loop * round + start + skill.biasMs + skill.spreadMs * off + late,
				durationMs: Math.max(30, length * 0.92),
				midi: missed ? slipped(instrument, position, note, isTone, () => which) : note.midi
			});
		}
	}
	events.sort((a, b) => a.timeMs - b.timeMs);
	// One string at a time: a note stops where the next one begins.
	return events.map((event, i) => {
		const next = events[i + 1]?.timeMs ?? Infinity;
		const room = Math.max(20, next - event.timeMs - 4);
		return { ...event, durationMs: Math.min(event.durationMs, room) };
	});
}

/** A number round 0 with a standard deviation of 1. */
function gauss(random: () => number): number {
	const [a, b] = [Math.max(1e-9, random()), random()];
	return Math.sqrt(-2 * Math.log(a)) * Math.cos(2 * Math.PI * b);
}

/** Landings as notes that ring until the next one. */
export function landingNotes(
	instrument: Instrument,
	targets: readonly (Place & { readonly change: number; readonly tick: number })[],
	endTick: number
): PlanNote[] {
	return targets.map((target, i) => ({
		string: target.string,
		fret: target.fret,
		tick: target.tick,
		durationTicks: Math.max(1, (targets[i + 1]?.tick ?? endTick) - target.tick),
		midi: pitchAt(instrument, target),
		change: target.change
	}));
}
