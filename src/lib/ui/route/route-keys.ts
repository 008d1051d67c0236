import { useKeys } from '$lib/state/keys';
import { NOTES, ROUTE, WRITING } from '$lib/words/keys/route';
import type { LineSelection } from '$lib/state/line-selection.svelte';
import type { LineWriter } from '$lib/state/line-writer.svelte';
import type { OpenTune } from '$lib/state/open-tune.svelte';
import type { RoutePlan } from '$lib/state/route-plan.svelte';
import type { RouteActions } from './route-actions.svelte';

/** What the keys of the Route screen reach. */
export type RouteParts = {
	readonly open: OpenTune;
	readonly plan: RoutePlan;
	readonly selection: LineSelection;
	readonly writer: LineWriter;
	readonly actions: RouteActions;
};

/** What the screen itself does: what it shows, and what leaves it. */
export type RouteScreen = {
	readonly plans: () => void;
	readonly making: () => void;
	readonly bar: () => void;
	readonly compare: () => void;
	readonly write: () => void;
	readonly nextView: () => void;
	readonly catchNotes: () => void;
	readonly save: () => void;
};

/** The keys of the Route screen; call it while the screen is made. */
export function useRouteKeys(
	{ open, plan, selection, writer, actions }: RouteParts,
	screen: RouteScreen
): void {
	useKeys(ROUTE, {
		plan: () => plan.plan(),
		lock: () => plan.toggleLock(open.cursor),
		pass: () => plan.toggleLetPass(open.cursor),
		best: () => actions.nextBest(),
		forbid: () => actions.forbid(),
		plans: screen.plans,
		making: screen.making,
		view: screen.nextView,
		compare: screen.compare,
		take: () => plan.anotherTake(),
		freeze: () => plan.line.length > 0 && plan.toggleFrozen(open.cursor),
		weak: () => actions.nextWeak(),
		mend: () => actions.mend(),
		motif: screen.catchNotes,
		place: (by) => actions.moveTo(actions.hand + by),
		hand: (by) => actions.moveFrom(by),
		bar: screen.bar,
		change: (by) => actions.along(by),
		nextKey: () => actions.nextKey(),
		undo: () => plan.undo(),
		redo: () => plan.redo(),
		save: screen.save
	});
	useKeys(NOTES, {
		pick: () => actions.pick(),
		across: (by) => actions.across(by),
		lift: (by) => actions.lift(by, 'step'),
		semitone: (by) => actions.lift(by, 'semitone'),
		time: (by) => selection.moveTime(by),
		insert: () => selection.insert(),
		remove: ({ key }) => (writer.on && key === 'Backspace' ? writer.back() : selection.remove()),
		letGo: () => (writer.on ? writer.stop() : selection.clear()),
		extend: (by) => selection.extend(by),
		all: () => selection.pickWay(),
		bar: () => selection.pickBar(),
		copy: () => actions.copy(),
		copyBar: () => actions.copy('bar'),
		paste: () => selection.paste()
	});
	useKeys(WRITING, {
		text: screen.write,
		write: () => (writer.on ? writer.stop() : writer.start()),
		hold: () => writer.hold()
	});
}
