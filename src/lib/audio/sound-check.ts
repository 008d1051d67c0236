import { QUARTER, mean, msPerTick } from '$core/kernel';
import { bandFor, swingOf, PARTS, type Score } from '$core/band';
import { parseChart } from '$core/chart';
import { OfflineContext } from 'tone';
import { renderVoices } from './sounds';
import type { Faders } from './desk';
import { BandEngine } from './engine';

/** What a rendering of the band's own engine shows about its time. */
export type SoundCheck = {
	readonly onsets: number;
	/** Largest distance of an onset from where it belongs, in ms. */
	readonly largestMs: number;
	/** Share of a beat that its first half takes, in per cent: asked for, and heard on average. */
	readonly swingAsked: number;
	readonly swingHeard: number;
	/** How much later than the grid the clicks are after five minutes than in the first seconds, in ms. */
	readonly driftMs: number;
	/** Largest error of an onset on the first beat after a loop's seam, in ms. */
	readonly seamMs: number;
	/** Largest error after the tempo was changed while playing, in ms. */
	readonly tempoMs: number;
};

/** Samples at which something begins after silence. */
export function onsetsIn(samples: Float32Array, rate: number): number[] {
	const quiet = Math.round(0.012 * rate);
	const found: number[] = [];
	let last = -quiet;
	for (let n = 0; n < samples.length; n++) {
		if (Math.abs(samples[n]) < 1e-4) continue;
		if (n - last >= quiet) found.push(n);
		last = n;
	}
	return found;
}

/** Only the click, dry. */
const CLICK_ALONE = Object.fromEntries(
	PARTS.map((part) => [part, { level: 0.8, muted: part !== 'click', solo: false }])
) as Faders;

const CHART = '[A]\n| Cm7 | F7 | Bbmaj7 | G7alt |';
const RATE = 48_000;
const PERCENT = 62;
const TEMPO = 132;
/** Clicks of a time through the loop: two bars, two clicks a beat. */
const ROUND = 16;
/** Seconds before the first beat, of a rendering, and how long the band has played in the second one. */
const LEAD = 0.25;
const SECONDS = 20;
const LATER = 300;
/** The tempo is another one between these seconds. */
const OTHER = { tempo: 96, from: 8, to: 10 } as const;

/** From this second on a tick of the run lasts so long. */
type Grid = { second: number; tick: number; perTick: number }[];
type Measured = { readonly second: number; readonly index: number; readonly errorMs: number };

function scoreOf(): Score {
	const chart = parseChart(CHART);
	return {
		band: bandFor(chart, { feel: 'swing' }),
		strokes: [],
		click: { beats: 'every', subdivision: 2, accents: true },
		swing: swingOf('swing', PERCENT)
	};
}

/** Which click of the run a second is nearest to, counted from the tempo and the swing alone. */
function nearest(grid: Grid, second: number): Measured {
	const part = grid.findLast((entry) => entry.second <= second) ?? grid[0];
	const tick = part.tick + (second - part.second) / part.perTick;
	const beat = Math.floor(tick / QUARTER);
	const candidates = [2 * beat, 2 * beat + 1, 2 * beat + 2].map((index) => {
		const due = Math.floor(index / 2) * QUARTER + (index % 2 === 1 ? (QUARTER * PERCENT) / 100 : 0);
		return { second, index, errorMs: (tick - due) * part.perTick * 1000 };
	});
	return candidates.sort((a, b) => Math.abs(a.errorMs) - Math.abs(b.errorMs))[0];
}

/**
 * Renders the engine's click with swung off-beats and a loop of two bars, and measures every onset.
 * @param after seconds that the band has been playing when the rendering begins
 */
async function render(after: number, changes: readonly { at: number; tempo: number }[]) {
	const context = new OfflineContext(1, SECONDS, RATE);
	const engine = new BandEngine(context, renderVoices, CLICK_ALONE);
	const start = LEAD - after;
	await engine.play(scoreOf(), {
		seconds: start,
		tempo: TEMPO,
		loop: { from: 1, to: 3 },
		countInBars: 0
	});
	// A tempo is changed in the middle of a beat, as a player does; the grid bends where the engine says.
	const grid: Grid = [{ second: start, tick: 0, perTick: msPerTick(TEMPO) / 1000 }];
	const left = [...changes];
	context.on('tick', () => {
		const next = left[0];
		if (!next || context.currentTime < next.at) return;
		left.shift();
		const last = grid[grid.length - 1];
		const second = context.currentTime + BandEngine.MARGIN;
		const tick = last.tick + (second - last.second) / last.perTick;
		grid.push({ second, tick, perTick: msPerTick(next.tempo) / 1000 });
		engine.setTempo(next.tempo);
	});
	const buffer = await context.render();
	engine.dispose();
	const heard = onsetsIn(buffer.getChannelData(0), RATE);
	return { grid, clicks: heard.map((sample) => nearest(grid, sample / RATE)) };
}

const largest = (clicks: readonly Measured[]): number =>
	clicks.reduce((most, click) => Math.max(most, Math.abs(click.errorMs)), 0);

/**
 * Measures the band's clock on this machine: its engine renders its click as fast as it can, from the
 * beginning with two changes of tempo, and once more as it plays after five minutes; the onsets in the
 * samples are held against a grid that is counted apart.
 */
export async function checkSound(): Promise<SoundCheck> {
	const { grid, clicks } = await render(0, [
		{ at: OTHER.from, tempo: OTHER.tempo },
		{ at: OTHER.to, tempo: TEMPO }
	]);
	const later = await render(LATER, []);
	const ratios = clicks.flatMap((click, i) => {
		const [off, on] = [clicks[i + 1], clicks[i + 2]];
		if (!on || click.index % 2 === 1 || on.index !== click.index + 2) return [];
		const bent = grid.some((part) => part.second > click.second && part.second < on.second);
		return bent ? [] : [(off.second - click.second) / (on.second - click.second)];
	});
	const all = [...clicks, ...later.clicks];
	const errors = (list: readonly Measured[]) => list.map((click) => click.errorMs);
	return {
		onsets: all.length,
		largestMs: largest(all),
		swingAsked: PERCENT,
		swingHeard: 100 * mean(ratios, 0),
		driftMs: mean(errors(later.clicks), 0) - mean(errors(clicks), 0),
		seamMs: largest(all.filter((click) => click.index > 0 && click.index % ROUND === 0)),
		tempoMs: largest(clicks.filter((click) => click.second > OTHER.from))
	};
}
