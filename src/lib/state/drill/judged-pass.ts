import { judge, nextStep, summarise, type LadderPlace } from '$core/practice';
import type { PlannedRoute } from '$lib/api/route';
import type { DonePass } from './phase';
import type { EndedPass } from './running-pass';

/**
 * Judges a pass and says the one next step.
 * @param place where the ladder stood
 * @param targets what was planned to be landed on
 */
export function judgedPass(
	{ setup, request }: EndedPass,
	place: LadderPlace,
	targets: PlannedRoute['targets']
): DonePass {
	const { chart, drill, looped, tempo } = setup;
	const judgement = judge(request);
	const summary = summarise(chart, judgement, drill.rules.colours);
	const next = nextStep(
		{
			...{ chart, rules: drill.rules, ladder: drill.ladder, place, looped, tempo },
			whole: drill.range,
			aims: new Map(targets.map((target) => [target.change, target]))
		},
		judgement,
		summary
	);
	const stopped = request.untilMs !== undefined;
	return {
		...{ tempo, looped, request, judgement, summary, next, stopped },
		stored: null,
		trouble: null
	};
}
