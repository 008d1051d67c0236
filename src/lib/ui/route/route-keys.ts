import { onKeys } from '$lib/state/keys';
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
	readonly compare: () => void;
	readonly write: () => void;
	readonly nextView: () => void;
	readonly catchNotes: () => void;
	readonly save: () => void;
};

/** The keys of the Route screen. */
export const routeKeys = (
	{ open, plan, selection, writer, actions }: RouteParts,
	screen: RouteScreen
): ((event: KeyboardEvent) => void) =>
	onKeys({
		r: () => void plan.plan(),
		l: () => plan.toggleLock(open.cursor),
		x: () => plan.toggleLetPass(open.cursor),
		a: () => void actions.nextBest(),
		b: screen.plans,
		c: screen.compare,
		d: () => actions.forbid(),
		g: () => (writer.on ? writer.stop() : writer.start()),
		h: () => writer.hold(),
		o: screen.write,
		v: screen.nextView,
		'[': () => actions.moveTo(actions.hand - 1),
		']': () => actions.moveTo(actions.hand + 1),
		',': () => actions.along(-1),
		'.': () => actions.along(1),
		'Shift+.': () => void actions.nextKey(),
		w: screen.making,
		t: () => plan.anotherTake(),
		k: () => plan.line.length > 0 && plan.toggleFrozen(open.cursor),
		j: () => actions.nextWeak(),
		m: () => actions.mend(),
		e: () => actions.pick(),
		s: screen.catchNotes,
		i: () => selection.insert(),
		Delete: () => selection.remove(),
		Backspace: () => (writer.on ? writer.back() : selection.remove()),
		Escape: () => (writer.on ? writer.stop() : selection.clear()),
		ArrowUp: () => actions.lift(1, 'step'),
		ArrowDown: () => actions.lift(-1, 'step'),
		'Shift+ArrowUp': () => actions.lift(1, 'semitone'),
		'Shift+ArrowDown': () => actions.lift(-1, 'semitone'),
		'Shift+ArrowLeft': () => selection.moveTime(-1),
		'Shift+ArrowRight': () => selection.moveTime(1),
		'Mod+a': () => selection.pickWay(),
		'Mod+ArrowLeft': () => selection.extend(-1),
		'Mod+ArrowRight': () => selection.extend(1),
		'Mod+c': () => actions.copy(),
		'Mod+Shift+c': () => actions.copy('bar'),
		'Mod+v': () => selection.paste(),
		ArrowLeft: () => actions.across(-1),
		ArrowRight: () => actions.across(1),
		PageUp: () => open.step(-1),
		PageDown: () => open.step(1),
		'Mod+z': () => plan.undo(),
		'Mod+Shift+z': () => plan.redo(),
		'Mod+s': screen.save
	});
