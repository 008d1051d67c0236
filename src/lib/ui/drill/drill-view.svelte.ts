import { msOfTicks, QUARTER } from '$core/kernel';
import type { Figure } from '$lib/draw/figure';
import type { DrillDesk } from '$lib/state/drill/drill-desk.svelte';
import type { OpenTune } from '$lib/state/open-tune.svelte';
import { prefs } from '$lib/state/prefs.svelte';
import { passRemarks, passVerdict, slipSentence } from './drill-words';
import { fallenResults, worstResults } from './pass-results';

/** Ms after a beat that a change is waited for before it counts as silent. */
const WAITS_MS = 200;

/** What the Drill screen says and shows of the pass that plays, or of the last one. */
export class DrillView {
	constructor(
		private readonly desk: DrillDesk,
		private readonly open: OpenTune
	) {}

	readonly playing = $derived.by(() => this.desk.pass !== null);
	readonly targets = $derived.by(() => this.desk.plan.made?.targets ?? []);
	/** How changes came out: of the pass that plays, once they are over; else of the last one. */
	readonly results = $derived.by(() => {
		const { phase } = this.desk;
		if (phase.kind !== 'running') return worstResults(this.desk.done?.judgement ?? null);
		const { pass, elapsed, live } = phase;
		const waits = msOfTicks(QUARTER, pass.setup.tempo) + WAITS_MS;
		return fallenResults(live, (change) => elapsed >= pass.dueOf(change) + waits);
	});
	readonly verdict = $derived.by(() => {
		const { done } = this.desk;
		return done ? passVerdict(done.summary) : null;
	});
	/** The worst slips, then what else is to say, each as a head and the rest of its sentence. */
	readonly remarks = $derived.by((): (readonly [string, string])[] => {
		const { done } = this.desk;
		if (!done) return [];
		const slips = done.summary.slips.slice(0, 3).flatMap((slip) => {
			const change = this.results.get(slip.index);
			const target = this.targets.find((one) => one.change === slip.index);
			return change ? [slipSentence(this.open.chart, change, target, done.request.range)] : [];
		});
		return [...slips, ...passRemarks(done.judgement)];
	});
	/** The landing that comes next. */
	readonly comes = $derived.by(
		() => this.targets.find((target) => target.change === this.open.cursor) ?? null
	);
	/** The worst slip on the neck: from the landing before it to the one that was missed. */
	readonly worst = $derived.by((): Figure | null => {
		const slip = this.desk.done?.summary.slips[0];
		const to = this.targets.find((target) => target.change === slip?.index);
		if (!slip || !to) return null;
		const from = this.targets.findLast((target) => target.change < slip.index);
		const label = (target: typeof to) =>
			prefs.label({ role: target.role, name: target.name, pc: target.midi % 12 });
		return {
			kind: 'path',
			notes: [
				...(from
					? [{ string: from.string, fret: from.fret, now: from.role, label: label(from) }]
					: []),
				{ string: to.string, fret: to.fret, next: to.role, label: label(to) }
			],
			words: `Land on ${label(to)}, string ${to.string}, fret ${to.fret}`
		};
	});
}
