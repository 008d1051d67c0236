import { swingOf } from '$core/band';
import { barTicksOf, type Chart } from '$core/chart';
import { instrumentOf, MEDIUM_HAND, pitchAt, type Instrument, type Place } from '$core/neck';
import {
	drillOf,
	inKey,
	passMs,
	simulate,
	type PlanNote,
	type PlayedEvent,
	type Skill
} from '$core/practice';
import { drillNotes, drillRoute } from '../api/drill-route';
import type { CardDrill, TakeInput } from '../api/practice-schema';
import { runRoute } from '../api/route';
import { runTake } from '../api/take';
import type { Database } from './database';
import { COURSES, type Course } from './demo-courses';
import { storeTake, updateTake } from './takes';

const DAY = 86_400_000;

type Tune = { readonly id: string; readonly title: string; readonly chart: string };

type Staged = {
	readonly chart: Chart;
	readonly instrument: Instrument;
	readonly drill: CardDrill;
	readonly notes: readonly PlanNote[];
};

/** A planned drill that the simulated player can read. */
function stage(tune: Tune, course: Course): Staged {
	const { chart, text } = inKey(tune.chart, course.key ?? null);
	const { instrument } = instrumentOf(chart);
	const made = drillOf(course.preset, chart, {
		position: course.position,
		key: course.key ?? null
	});
	const rules = course.fret === undefined ? made.rules : { ...made.rules, fret: course.fret };
	const drill = { ...made, rules };
	const planned = runRoute(drillRoute(text, chart, drill, [], MEDIUM_HAND));
	if ('error' in planned) throw new Error(`${tune.title}: ${planned.error[0].message}`);
	const notes = drillNotes(chart, instrument, drill, planned.value);
	return { chart, instrument, drill, notes };
}

/**
 * How well the player does: at ease up to some tempo, then worse with every step; on the whole better
 * from week to week, with weeks that fall back. What is weak stays so.
 */
function skillAt(course: Course, tempo: number, taken: number, ago: number, seed: number): Skill {
	const over = tempo - (course.comfort + course.gain * taken);
	const uneven = 1 + 0.4 * Math.sin(ago * 0.55);
	const before = 0.5 * (ago / 42) ** 0.8 * uneven;
	const settled = over <= 0 ? before * (ago < 18 ? 0.12 : 0.75) : before + 0.08 + 0.02 * over;
	const wrong = Math.min(0.72, course.weak ?? settled);
	return {
		spreadMs: over <= 0 ? 14 : Math.min(34, 18 + over),
		biasMs: 6,
		wrongShare: wrong,
		silentShare: wrong / 7,
		hesitationMs: over <= 0 ? 0 : 2,
		seed
	};
}

const dayName = (at: Date): string => at.toISOString().slice(0, 10);

/** Puts six weeks of takes into the log, each one played by the simulated player and judged like any other. */
export async function loadDemoLog(db: Database, tunes: readonly Tune[], now: Date): Promise<void> {
	const evenings = COURSES.flatMap((course, i) => {
		const tune = tunes.find(({ title }) => title === course.tune);
		if (!tune) throw new Error(`no tune ${course.tune}`);
		const staged = stage(tune, course);
		return course.days.map(([ago, takes]) => ({ course, i, tune, staged, ago, takes }));
	}).sort((a, b) => b.ago - a.ago || a.i - b.i);
	const taken = COURSES.map(() => 0);
	const tempos = new Map<number, number>();
	const evening = new Date(now);
	evening.setHours(19, 30, 0, 0);
	const pair = twoTakes(tunes);
	for (const [k, { course, i, tune, staged, ago, takes }] of evenings.entries()) {
		while (pair.length > 0 && pair[0].ago >= ago) await pair.shift()?.play(db, evening);
		const { chart, instrument, drill, notes } = staged;
		for (let n = 0; n < takes; n++) {
			const at = new Date(evening.getTime() - ago * DAY + (i * 14 + n * 2) * 60_000);
			const tempo = tempos.get(i) ?? drill.ladder.start;
			const skill = skillAt(course, tempo, taken[i], ago, 100 * k + n + 1);
			taken[i]++;
			const swing = swingOf(chart.headers.feel);
			const timing = { chart, tempo, swing, range: null, loops: drill.loops };
			const events = simulate(timing, instrument, course.position, notes, skill);
			const input = takeOf(
				tune,
				drill,
				tempo,
				events,
				passMs(barTicksOf(chart), drill, tempo),
				dayName(at)
			);
			const { card } = await put(db, tune, input, at);
			tempos.set(i, card.tempo);
		}
	}
}

const takeOf = (
	tune: Tune,
	drill: CardDrill,
	tempo: number,
	events: readonly PlayedEvent[],
	durationMs: number,
	day: string
): TakeInput => ({
	tuneId: tune.id,
	drill,
	looped: null,
	tempo,
	input: 'simulated',
	loops: drill.loops,
	events: events.map((event) => ({ ...event, timeMs: Math.round(event.timeMs * 10) / 10 })),
	grade: null,
	durationMs: Math.round(durationMs),
	day
});

/** The core's drills are read-only; what is stored is the same data. */
async function put(db: Database, tune: Tune, input: TakeInput, at: Date) {
	const { chart, title } = tune;
	const judged = runTake({ chart, title, take: input, own: [] });
	if ('error' in judged) throw new Error(`${title}: ${judged.error[0].message}`);
	return storeTake(db, input, { judged: judged.value, chart, own: [] }, at);
}

type Planned = {
	readonly ago: number;
	readonly play: (db: Database, evening: Date) => Promise<void>;
};

/** Two takes of the same four bars: one runs the scale up and down, one goes where the chords go. */
function twoTakes(tunes: readonly Tune[]): Planned[] {
	const tune = tunes.find(({ title }) => title === 'Nettle Tea');
	if (!tune) return [];
	const { chart } = inKey(tune.chart, null);
	const { instrument } = instrumentOf(chart);
	const position = 9;
	const made = drillOf('arpeggios-scale', chart, { position, key: null });
	const drill = { ...made, loops: 1 };
	const tempo = 84;
	const timing = { chart, tempo, swing: swingOf(chart.headers.feel), range: null, loops: 1 };
	const skill = { spreadMs: 9, biasMs: 5, wrongShare: 0, silentShare: 0, hesitationMs: 0 };
	const planned = runRoute(drillRoute(tune.chart, chart, drill, [], MEDIUM_HAND));
	if ('error' in planned) throw new Error(`${tune.title}: ${planned.error[0].message}`);
	const lines: [number, string, PlanNote[]][] = [
		[15, 'Runs the scale.', scaleRun(instrument)],
		[8, 'Follows the chords.', drillNotes(chart, instrument, drill, planned.value)]
	];
	return lines.map(([ago, note, notes]) => ({
		ago,
		play: async (db, evening) => {
			const at = new Date(evening.getTime() - ago * DAY);
			const events = simulate(timing, instrument, position, notes, { ...skill, seed: ago });
			const ms = passMs(barTicksOf(chart), drill, tempo);
			const { take } = await put(db, tune, takeOf(tune, drill, tempo, events, ms, dayName(at)), at);
			await updateTake(db, take.id, note, take.version);
		}
	}));
}

/** F sharp minor in eighths up and down position 9, whatever the chord. */
function scaleRun(instrument: Instrument): PlanNote[] {
	const up: Place[] = [
		{ string: 4, fret: 11 },
		{ string: 3, fret: 9 },
		{ string: 3, fret: 11 },
		{ string: 2, fret: 9 },
		{ string: 2, fret: 10 },
		{ string: 2, fret: 12 },
		{ string: 1, fret: 9 },
		{ string: 1, fret: 10 },
		{ string: 1, fret: 12 }
	];
	const down = [...up.slice(1, -1)].reverse();
	const round = [...up, ...down];
	return Array.from({ length: 32 }, (_, i) => {
		const place = round[i % round.length];
		const midi = pitchAt(instrument, place);
		return { ...place, tick: 240 * i, durationTicks: 240, midi, change: null };
	});
}
