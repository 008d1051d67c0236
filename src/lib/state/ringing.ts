import { chartTicks, type Chart } from '$core/chart';
import type { NoteAnswer, TargetAnswer } from '$lib/api/plan-schema';

/** Landings as notes of a line that ring until the next one. */
export const ringing = (chart: Chart, targets: readonly TargetAnswer[]): NoteAnswer[] =>
	targets.map((target, i) => ({
		string: target.string,
		fret: target.fret,
		tick: target.tick,
		durationTicks: Math.max(1, (targets[i + 1]?.tick ?? chartTicks(chart)) - target.tick),
		midi: target.midi,
		name: target.name,
		role: target.role,
		kind: 'target',
		finger: null,
		technique: null,
		chord: chart.changes[target.change]?.to.index ?? 0
	}));
