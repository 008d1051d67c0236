import { fetched } from '$lib/state/fetched';
import type { Chart } from '$core/chart';
import type { TargetAnswer } from '$lib/api/plan-schema';
import { soundPrefs } from './sound-prefs.svelte';

type Named = Pick<TargetAnswer, 'change' | 'name'>;

/** Speaks the coming chord and its target, once each, so many beats ahead as the player asks for. */
export class Announcer {
	private spoken: number | null = null;

	/** Begins anew. */
	reset(): void {
		this.spoken = null;
	}

	/**
	 * Hears how far the music is.
	 * @param next the coming change; `beats` are left until it
	 */
	hear(chart: Chart, targets: readonly Named[], next: number | null, beats: number): void {
		const { announce, speak } = soundPrefs.current;
		if (beats > announce) this.spoken = null;
		if (next === null || announce === 0 || beats > announce || !speak) return;
		if (this.spoken === next) return;
		this.spoken = next;
		const change = chart.changes[next];
		const target = targets.find((entry) => entry.change === next);
		void fetched(() => import('./speech')).then(({ say, spokenChord, spokenNote }) => {
			const chord = spokenChord(change.to.chord);
			say(target ? `${chord}, ${spokenNote(target.name)}` : chord);
		});
	}
}
