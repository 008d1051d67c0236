import { CLICKS, type Score, WAYS } from '$core/band';
import type { VoiceKey } from './sound.worker';
import { layerOf, type Voice, voiceOf } from './voices';

/** Notes that are rendered at a time: enough for the count-in and the first beats. */
export const FIRST = 12;

export const keyText = ({ voice, midi, layer }: VoiceKey): string => `${voice} ${midi} ${layer}`;

/** The voices of a score in the order in which they are needed from a bar on: clicks, band, line, later rounds. */
export function voicesOf(score: Score, first: number): VoiceKey[] {
	const { chart, voice } = score.band;
	const keys = new Map<string, VoiceKey>();
	const add = (of: Voice, midi: number, velocity: number) => {
		const key = { voice: of, midi, layer: layerOf(velocity) };
		keys.set(keyText(key), key);
	};
	for (const midi of Object.values(CLICKS))
		for (const at of [0.3, 0.5, 0.8]) add('click', midi, at);
	const order = [...chart.played.slice(first), ...chart.played.slice(0, first)];
	const band = (bars: typeof order, round: number) => {
		for (const bar of bars) {
			for (const note of score.band.bar(bar.index, round, bar.index === first)) {
				add(voiceOf(note.part, voice), note.midi, note.velocity);
			}
		}
	};
	const from = order[0]?.startTick ?? 0;
	const line = [
		...score.strokes.filter((stroke) => stroke.tick >= from),
		...score.strokes.filter((stroke) => stroke.tick < from)
	];
	band(order.slice(0, 2), 0);
	for (const { midi, velocity } of line) add('line', midi, velocity);
	for (let round = 0; round <= WAYS; round++) band(order, round);
	return [...keys.values()];
}
