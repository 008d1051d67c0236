import type { Report } from './diagnose';
import { barTicks, LIMITS, type PlayedBar, type Section, type WrittenBar } from './types';

/** Bars of one ending: indices `from` … `to` − 1, for the passes that it names. */
type Ending = { from: number; to: number; passes: readonly number[] };

/** A stretch that is repeated: its body, then its endings, then `next`. */
type Stretch = { start: number; body: number; endings: Ending[]; times: number; next: number };

function readEndings(bars: readonly WrittenBar[], first: number, to: number): Ending[] {
	const endings: Ending[] = [];
	let i = first;
	while (i < to && bars[i]!.endings.length > 0) {
		const from = i;
		while (i < to && bars[i]!.repeatTimes === 0) {
			i++;
			if (i < to && (bars[i]!.endings.length > 0 || bars[i]!.startsRepeat)) break;
		}
		const closed = i < to && bars[i]!.repeatTimes > 0;
		if (closed) i++;
		endings.push({ from, to: i, passes: bars[from]!.endings });
		if (!closed && !(i < to && bars[i]!.endings.length > 0)) break;
	}
	return endings;
}

/** The next repeated stretch that begins at or after `from`; null when bars simply go on. */
function stretchFrom(bars: readonly WrittenBar[], from: number, to: number): Stretch | null {
	let start = from;
	for (let i = from; i < to; i++) {
		if (bars[i]!.startsRepeat) start = i;
		if (bars[i]!.endings.length > 0) {
			const endings = readEndings(bars, i, to);
			const last = endings[endings.length - 1]!;
			const counts = endings.map((ending) => bars[ending.to - 1]!.repeatTimes);
			const times = Math.max(...counts, ...endings.flatMap((ending) => [...ending.passes]));
			return { start, body: i, endings, times, next: last.to };
		}
		if (bars[i]!.repeatTimes > 0) {
			return { start, body: i + 1, endings: [], times: bars[i]!.repeatTimes, next: i + 1 };
		}
	}
	return null;
}

/** Written bar indices of one section in the order in which they are played once. */
function sectionOrder(bars: readonly WrittenBar[], section: Section, room: number): number[] {
	const order: number[] = [];
	const push = (from: number, to: number): boolean => {
		for (let i = from; i < to; i++) {
			if (order.length > room) return false;
			order.push(i);
		}
		return true;
	};
	let at = section.from;
	while (at < section.to) {
		const stretch = stretchFrom(bars, at, section.to);
		if (!stretch) {
			push(at, section.to);
			break;
		}
		push(at, stretch.start);
		const { endings, times } = stretch;
		for (let pass = 1; pass <= times; pass++) {
			if (!push(stretch.start, stretch.body)) return order;
			// The last pass takes the last ending; a pass that no other names takes the first.
			const named = endings.slice(0, -1).find((ending) => ending.passes.includes(pass));
			const ending = pass === times ? endings.at(-1) : (named ?? endings[0]);
			if (ending && !push(ending.from, ending.to)) return order;
		}
		at = stretch.next;
	}
	return order;
}

/**
 * Unfolds sections, repeats and endings into the bars that are played, with their ticks. More than
 * the limit of played bars is reported and cut.
 */
export function unfold(
	bars: readonly WrittenBar[],
	sections: readonly Section[],
	report: Report
): PlayedBar[] {
	const played: PlayedBar[] = [];
	const passes = new Map<number, number>();
	let tick = 0;
	for (const section of sections) {
		const order = sectionOrder(bars, section, LIMITS.played);
		for (let time = 0; time < section.times; time++) {
			for (const written of order) {
				if (played.length >= LIMITS.played) {
					report.limit(
						bars[written]!.span,
						`A chart plays at most ${LIMITS.played} bars; the rest is left out.`
					);
					return played;
				}
				const pass = (passes.get(written) ?? 0) + 1;
				passes.set(written, pass);
				const { signature } = bars[written]!;
				const lengthTicks = barTicks(signature);
				const index = played.length;
				played.push({
					index,
					written,
					pass,
					section: section.name,
					startTick: tick,
					lengthTicks,
					signature
				});
				tick += lengthTicks;
			}
		}
	}
	return played;
}
