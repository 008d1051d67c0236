import type { PlayedBar } from '../chart';
import { countsOf, pulsesOf } from './metre';
import type { BandNote } from './types';

/** What the click marks: every beat, only the answering beats (2 and 4), or only the first. */
export const CLICK_BEATS = ['every', 'answers', 'first'] as const;
type ClickBeats = (typeof CLICK_BEATS)[number];

export type Click = {
	readonly beats: ClickBeats;
	/** Parts of a beat that are clicked too: 1 (the beat alone), 2, 3, 4. */
	readonly subdivision: 1 | 2 | 3 | 4;
	readonly accents: boolean;
};

/** Pitches of the click: the first beat of a bar, other beats, parts of a beat. */
export const CLICKS = { first: 88, beat: 81, part: 76 } as const;
const LENGTH = 40;

const clickAt = (tick: number, midi: number, velocity: number): BandNote => ({
	part: 'click',
	tick: Math.round(tick),
	durationTicks: LENGTH,
	midi,
	velocity
});

/** The click of one bar. */
export function clickBar(click: Click, bar: PlayedBar): BandNote[] {
	const pulses = pulsesOf(bar.signature);
	const answers = pulses.filter((pulse) => pulse.answers);
	return pulses.flatMap(({ offset, length, index, ...pulse }) => {
		if (click.beats === 'first' && index > 0) return [];
		// A bar of one beat, or of three, has no 2 and 4: what is off the one is clicked.
		const marked = answers.length > 0 ? pulse.answers : true;
		if (click.beats === 'answers' && !marked) return [];
		const tick = bar.startTick + offset;
		const first = index === 0 && click.accents;
		const loud = first ? 0.9 : click.accents && pulse.leads ? 0.74 : 0.66;
		const parts = Array.from({ length: click.subdivision - 1 }, (_, i) =>
			clickAt(tick + ((i + 1) * length) / click.subdivision, CLICKS.part, 0.34)
		);
		return [clickAt(tick, first ? CLICKS.first : CLICKS.beat, loud), ...parts];
	});
}

/** The click that counts a bar in: every written beat, the first and each group's first stronger. */
export const countIn = (bar: PlayedBar): BandNote[] =>
	countsOf(bar.signature).map(({ offset, accent }) =>
		clickAt(offset, accent === 2 ? CLICKS.first : CLICKS.beat, [0.5, 0.7, 0.92][accent]!)
	);
