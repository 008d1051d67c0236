import { QUARTER } from '../kernel';
import { type Chart } from '../chart';
import { arpeggioShapes, type Instrument, type Place } from '../neck';

/** Warm-ups out of the plan: the shape up and down, one note in ever longer values, every note twice, string pairs. */
export const WARM_UPS = ['shape', 'pulse', 'doubled', 'pairs'] as const;
export type WarmUp = (typeof WARM_UPS)[number];

export const WARM_UP_WORDS: Record<WarmUp, { readonly name: string; readonly says: string }> = {
	shape: { name: 'Shape', says: 'Each chord’s arpeggio up and down, in eighths.' },
	pulse: { name: '8-4-2-1', says: 'The landing in eighths, quarters, halves, then a whole.' },
	doubled: { name: 'Doubled', says: 'The arpeggio, each note twice.' },
	pairs: { name: 'Pairs', says: 'Two neighbouring strings at a time, to and fro.' }
};

/** A note of a warm-up. Ticks from the first beat. */
export type WarmUpNote = Place & {
	readonly tick: number;
	readonly durationTicks: number;
	readonly midi: number;
};

type Step = Place & { readonly midi: number };

/** Up and down without striking the ends twice, to and fro as long as it is needed. */
const toAndFro = (steps: readonly Step[]): Step[] =>
	steps.length < 2 ? [...steps] : [...steps, ...steps.slice(1, -1).reverse()];

/** Notes of neighbouring strings, pair after pair from the thickest. */
function stringPairs(steps: readonly Step[]): Step[] {
	const strings = [...new Set(steps.map(({ string }) => string))].sort((a, b) => b - a);
	return strings
		.slice(1)
		.flatMap((string, i) =>
			toAndFro(steps.filter((step) => step.string === string || step.string === strings[i]))
		);
}

const EIGHTH = QUARTER / 2;

/** Repeats steps in eighths from one tick to another. */
function fill(steps: readonly Step[], from: number, to: number): WarmUpNote[] {
	const notes: WarmUpNote[] = [];
	for (let tick = from, i = 0; tick < to && steps.length > 0; tick += EIGHTH, i++) {
		const { string, fret, midi } = steps[i % steps.length]!;
		notes.push({ tick, durationTicks: Math.min(EIGHTH, to - tick), string, fret, midi });
	}
	return notes;
}

/** One note bar by bar in eighths, quarters, halves, a whole, and again; the tempo stays. */
function pulse(chart: Chart, note: Step): WarmUpNote[] {
	return chart.played.flatMap((bar, i) => {
		const length = [EIGHTH, QUARTER, 2 * QUARTER, bar.lengthTicks][i % 4]!;
		const notes: WarmUpNote[] = [];
		for (let at = 0; at < bar.lengthTicks; at += length) {
			const durationTicks = Math.min(length, bar.lengthTicks - at);
			notes.push({ ...note, tick: bar.startTick + at, durationTicks });
		}
		return notes;
	});
}

/**
 * A warm-up over a whole chart in one position, out of the full arpeggio of each chord.
 * @param landing what the pulse is played on: the first landing of the plan
 */
export function warmUp(
	kind: WarmUp,
	chart: Chart,
	instrument: Instrument,
	position: number,
	landing: Step | null
): WarmUpNote[] {
	if (kind === 'pulse') return landing ? pulse(chart, landing) : [];
	return chart.events.flatMap((event) => {
		if (!event.chord) return [];
		const [full] = arpeggioShapes(instrument, event.chord, position);
		const steps: Step[] =
			full?.notes.map(({ string, fret, midi }) => ({ string, fret, midi })) ?? [];
		const order =
			kind === 'pairs'
				? stringPairs(steps)
				: kind === 'doubled'
					? toAndFro(steps).flatMap((step) => [step, step])
					: toAndFro(steps);
		return fill(order, event.startTick, event.startTick + event.durationTicks);
	});
}
