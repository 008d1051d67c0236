import { combosOf, type KeyMap, type Row, type Told, type TwoWay } from '$lib/words/keys/key-map';
import { onMount } from 'svelte';
import { isText, isTyping, keepsKey, watchFocus } from './focus';
import { prefs } from './prefs.svelte';

type Action<R extends Row> = R extends TwoWay
	? (by: 1 | -1, event: KeyboardEvent) => unknown
	: (event: KeyboardEvent) => unknown;

/** What a screen does for each name of its key map; names that are only told have no action. */
export type ActionsOf<M extends KeyMap> = {
	readonly [K in keyof M as M[K] extends Told ? never : K]: Action<M[K]>;
};

/** Whose keys come first, last of all those of the whole app. */
const LEVELS = ['view', 'part', 'screen', 'tune', 'app'] as const;
type Level = (typeof LEVELS)[number];

export type KeyOptions = {
	readonly level?: Level;
	/** While it says no, the keys pass to those behind. */
	readonly when?: () => boolean;
	/** It lies over the screen: its keys work inside of its dialog, and no others do. */
	readonly alone?: boolean;
};

/** What a handler of letters takes for itself: true when it did. */
type Raw = (event: KeyboardEvent) => boolean;
type Entry = KeyOptions & {
	readonly level: Level;
	readonly find: ((combo: string) => ((event: KeyboardEvent) => unknown) | undefined) | null;
	readonly raw: Raw | null;
};

/** The key and what is held beside it, as key maps name it; null where it belongs to the system. */
function comboOf(event: KeyboardEvent): string {
	const mod = event.ctrlKey || event.metaKey;
	const name = event.key.length === 1 ? event.key.toLowerCase() : event.key;
	const shift = event.shiftKey && (mod || event.key.length > 1);
	// With Shift the point is another sign, and which one hangs on the keyboard.
	if (event.shiftKey && !mod && event.code === 'Period') return 'Shift+.';
	return `${event.altKey ? 'Alt+' : ''}${mod ? 'Mod+' : ''}${shift ? 'Shift+' : ''}${name}`;
}

/** Single keys of the page can be switched off; keys with a name or something held beside them stay. */
const isSingle = (combo: string): boolean => combo.length === 1 || combo === 'Shift+.';

const entries: Entry[] = [];
let listening = false;

/** Gives a key to whoever has it, the nearest first; tells the page what was done. */
export function press(event: KeyboardEvent): void {
	if (event.defaultPrevented || event.isComposing) return;
	const order = LEVELS.flatMap((level) => entries.filter((entry) => entry.level === level));
	// Menus and dialogs hear Escape before the page does.
	const late = event.key === 'Escape' && !order.some(({ alone }) => alone);
	if (late !== (event.eventPhase !== Event.CAPTURING_PHASE)) return;
	const combo = comboOf(event);
	for (const { when, alone, find, raw } of order) {
		if (when && !when()) continue;
		if (raw) {
			if (!raw(event)) continue;
			return take(event);
		}
		const action = find?.(combo);
		if (action && mayAct(event, combo, alone === true)) {
			take(event);
			return void action(event);
		}
		if (alone) return;
	}
}

function mayAct(event: KeyboardEvent, combo: string, alone: boolean): boolean {
	const held = combo.includes('Mod+') || combo.includes('Alt+');
	if (isSingle(combo) && !prefs.current.singleKeys && !(alone && combo === ' ')) return false;
	// In text its own commands stay, save for the one that saves.
	if (combo === 'Mod+c' && getSelection()?.toString()) return false;
	if (held) return combo === 'Mod+s' || !isTyping(event.target);
	if (!alone) return !keepsKey(event);
	if (isText(event.target)) return false;
	const { target } = event;
	const control = target instanceof Element && target.closest('button, a[href]');
	return !(control && (combo === ' ' || combo === 'Enter') && control.matches(':focus-visible'));
}

function take(event: KeyboardEvent): void {
	event.preventDefault();
	event.stopPropagation();
}

function add(entry: Entry): () => void {
	if (!listening) {
		listening = true;
		watchFocus();
		addEventListener('keydown', press, { capture: true });
		addEventListener('keydown', press);
	}
	// Of one level what came last is the nearest.
	entries.unshift(entry);
	return () => void entries.splice(entries.indexOf(entry), 1);
}

/** Told to the page when a key has done something: the test of all maps listens. */
const KEY_DONE = 'arc-step:key';

/**
 * Binds the keys of a map to what they do. Every name of the map has an action and no other: both are
 * errors of the compiler.
 * @returns takes them away again.
 */
export function bindKeys<M extends KeyMap>(
	map: M,
	actions: ActionsOf<M>,
	options: KeyOptions = {}
): () => void {
	type Act = (...args: unknown[]) => unknown;
	const bound = new Map<string, (event: KeyboardEvent) => unknown>();
	for (const [name, row] of Object.entries<Row>(map)) {
		const act = (actions as Readonly<Record<string, Act>>)[name];
		for (const { combo, by } of combosOf(row)) {
			bound.set(combo, (event) => {
				dispatchEvent(new CustomEvent(KEY_DONE, { detail: `${name} ${combo}` }));
				return 'key' in row ? act(event) : act(by, event);
			});
		}
	}
	return add({ level: 'screen', ...options, find: (combo) => bound.get(combo), raw: null });
}

/** Letters that are notes, and whatever else reads the keyboard itself. */
export const bindLetters = (raw: Raw, options: KeyOptions = {}): (() => void) =>
	add({ level: 'part', ...options, find: null, raw });

/**
 * The keys of a component, from its start to its end.
 * @example useKeys(ROUTE, { plan: () => plan.plan(), … });
 */
export const useKeys = <M extends KeyMap>(...asked: Parameters<typeof bindKeys<M>>): void =>
	onMount(() => bindKeys(...asked));

export const useLetters = (...asked: Parameters<typeof bindLetters>): void =>
	onMount(() => bindLetters(...asked));
