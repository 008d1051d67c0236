import { QUARTER, clamp } from '../kernel';
import { keyName } from './headers';
import { shareStarts } from './cells';
import { barTicks, beatTicks, LIMITS, type Feel, type Headers, type TimeSignature } from './types';
import type { Key } from '../chord';

/** A chord of a bar to be written: ticks from the bar line, and its symbol; `N.C.` is silence. */
export type ChordDraft = { readonly tick: number; readonly symbol: string };

/** A bar to be written. A bar without chords holds the chord before it. */
export type BarDraft = {
	readonly signature: TimeSignature;
	readonly chords: readonly ChordDraft[];
	/** A section begins here; null is one without a name. */
	readonly section?: { readonly name: string | null; readonly times: number };
	readonly startsRepeat?: boolean;
	/** How often `:|` after this bar plays its stretch in all; 0 without one. */
	readonly repeatTimes?: number;
	readonly endings?: readonly number[];
};

/** A chart to be written; what is null or left out gets no header line. */
export type ChartDraft = {
	readonly title?: string | null;
	readonly key?: Key | null;
	readonly scale?: string | null;
	readonly tempo?: number | null;
	readonly feel?: Feel | null;
	/** Pitches from the thickest string, or a preset id. */
	readonly tuning?: string | null;
	readonly capo?: number;
	readonly bars: readonly BarDraft[];
};

const BARS_A_LINE = 4;
const MOST_SHARES = 4 * LIMITS.chordsPerBar;
const PUSHES = [
	{ ticks: QUARTER / 2, sign: '<' },
	{ ticks: QUARTER / 4, sign: '<<' }
] as const;

/** A text on one line, without what would end a header or a bar. */
const inline = (text: string): string =>
	text
		// eslint-disable-next-line no-control-regex
		.replace(/[\u0000-\u001f\u007f]+/g, ' ')
		.replaceAll('//', '/ /')
		.trim();

type Placed = { tick: number; symbol: string };

/** Chords off the beat that lead to a beat without a chord of its own become pushes onto it. */
function withPushes(bars: readonly BarDraft[]): Placed[][] {
	const placed = bars.map((bar) => bar.chords.map(({ tick, symbol }) => ({ tick, symbol })));
	placed.forEach((chords, b) => {
		const { signature } = bars[b]!;
		const [length, beat] = [barTicks(signature), beatTicks(signature)];
		for (const chord of [...chords]) {
			if (chord.tick % beat === 0) continue;
			const push = PUSHES.find(({ ticks }) => (chord.tick + ticks) % beat === 0);
			if (!push) continue;
			const at = chord.tick + push.ticks;
			const into = at < length ? chords : placed[b + 1];
			const there = at < length ? at : 0;
			// The chord before must have begun earlier, or there would be nothing to push into.
			const before = chords.some((other) => other.tick < chord.tick) || b > 0;
			if (!into || !before || into.some((other) => other.tick === there)) continue;
			if (at >= length && bars[b + 1]!.startsRepeat) continue;
			chords.splice(chords.indexOf(chord), 1);
			into.push({ tick: there, symbol: push.sign + chord.symbol });
		}
		chords.sort((a, z) => a.tick - z.tick);
	});
	for (const chords of placed) chords.sort((a, z) => a.tick - z.tick);
	return placed;
}

/** The words of a bar: its chords in equal or uneven shares, points where a chord is held. */
function words(chords: readonly Placed[], signature: TimeSignature): string[] | null {
	for (let count = 1; count <= MOST_SHARES; count++) {
		const starts = shareStarts(count, signature);
		if (!chords.every(({ tick }) => starts.indexOf(tick) >= 0 && tick < starts[count]!)) continue;
		return starts.slice(0, count).map((start) => {
			return chords.find(({ tick }) => tick === start)?.symbol ?? '.';
		});
	}
	return null;
}

/** Chords moved to the nearest place that a bar can be cut at, one at each. */
function snapped(chords: readonly Placed[], signature: TimeSignature): Placed[] {
	const unit = QUARTER / 4;
	const last = barTicks(signature) - unit;
	const found = new Map<number, Placed>();
	for (const { tick, symbol } of chords) {
		const at = clamp(Math.round(tick / unit) * unit, 0, last);
		found.set(at, { tick: at, symbol });
	}
	return [...found.values()].sort((a, b) => a.tick - b.tick);
}

const sign = ({ beats, unit }: TimeSignature): string => `${beats}/${unit}`;

/** Header lines in the order in which they usually stand. */
function headerLines(draft: Omit<ChartDraft, 'bars'>, time: TimeSignature): string[] {
	const lines = [`title: ${inline(draft.title ?? '') || 'Untitled tune'}`];
	if (draft.key) lines.push(`key: ${keyName(draft.key)}`);
	if (draft.scale) lines.push(`scale: ${inline(draft.scale)}`);
	lines.push(`time: ${sign(time)}`);
	if (draft.tempo) lines.push(`tempo: ${draft.tempo}`);
	if (draft.feel) lines.push(`feel: ${draft.feel}`);
	if (draft.tuning) lines.push(`tuning: ${inline(draft.tuning)}`);
	if (draft.capo) lines.push(`capo: ${draft.capo}`);
	return lines;
}

/** The headers of a chart as a draft has them. */
export const draftHeaders = (headers: Headers): Omit<ChartDraft, 'bars'> => ({
	title: headers.title,
	key: headers.key,
	tempo: headers.tempo,
	feel: headers.feel,
	tuning: headers.tuning?.text ?? null,
	capo: headers.capo
});

/**
 * Writes chart text: headers, sections, repeats, endings, four bars a line. Chords off the beat become
 * pushes where they lead to a free beat. What no share of a bar fits moves to the nearest sixteenth.
 * @returns the text, and the bars (from 1) whose chords had to be moved
 * @example writeChart({ bars: [{ signature: { beats: 4, unit: 4 }, chords: [{ tick: 0, symbol: 'C' }] }] }).text
 */
export function writeChart(draft: ChartDraft): { text: string; moved: number[] } {
	const { bars } = draft;
	const first = bars[0]?.signature ?? { beats: 4, unit: 4 };
	const placed = withPushes(bars);
	const moved: number[] = [];
	const blocks: string[] = [headerLines(draft, first).join('\n')];
	let lines: string[] = [];
	let line = '';
	let inLine = 0;
	let signature = first;
	let before: readonly string[] = [];
	const endLine = () => {
		if (line !== '') lines.push(line);
		[line, inLine] = ['', 0];
	};
	const endBlock = () => {
		endLine();
		if (lines.length > 0) blocks.push(lines.join('\n'));
		lines = [];
	};
	bars.forEach((bar, b) => {
		if (bar.section) {
			endBlock();
			const { name, times } = bar.section;
			const label = inline((name ?? '').replace(/[[\]|]/g, ' ')).slice(0, 80);
			const plain = label === '' && times === 1 && b === 0;
			if (!plain) lines.push(`[${label || 'Part'}${times > 1 ? ` x${times}` : ''}]`);
		}
		const turned = sign(bar.signature) !== sign(signature);
		if (turned || bar.startsRepeat || inLine === BARS_A_LINE) endLine();
		if (line === '') {
			line = `${turned ? `{${sign(bar.signature)}} ` : ''}|${bar.startsRepeat ? ':' : ''}`;
			signature = bar.signature;
		}
		let cells = words(placed[b]!, bar.signature);
		if (!cells) {
			moved.push(b + 1);
			cells = words(snapped(placed[b]!, bar.signature), bar.signature) ?? ['.'];
		}
		if (cells.every((word) => word === '.')) {
			// A bar that holds on repeats a bar of one chord; else it is written as held.
			cells = b === 0 ? ['N.C.'] : before.length === 1 && before[0] !== '.' ? ['%'] : ['.'];
		}
		if (cells[0] !== '%') before = cells;
		const endings = bar.endings?.length ? `${bar.endings.join('. ')}. ` : '';
		const { repeatTimes = 0 } = bar;
		const close = repeatTimes > 2 ? `:| x${repeatTimes}` : repeatTimes > 0 ? ':|' : '|';
		line += ` ${endings}${cells.join(' ')} ${close}`;
		inLine += 1;
		if (repeatTimes > 0) endLine();
	});
	endBlock();
	return { text: `${blocks.join('\n\n')}\n`, moved };
}
