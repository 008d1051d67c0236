import { prefs } from './prefs.svelte';

const TYPING =
	'input, textarea, select, [contenteditable]:not([contenteditable="false"]), [role="textbox"]';

/** True while keys belong to a text field or an open dialog. */
export const isTyping = (target: EventTarget | null): boolean =>
	target instanceof Element &&
	target.closest(`${TYPING}, [role="dialog"], [role="menu"], [role="listbox"]`) !== null;

/** What a control with the focus keeps for itself. Pedals send page keys: those reach the page from anywhere. */
const OWN = new Set(['ArrowLeft', 'ArrowRight', 'ArrowUp', 'ArrowDown', 'Enter']);

type Actions = Record<string, (event: KeyboardEvent) => void>;

/** Keys that move inside a focused group; they are not single-key shortcuts of the page. */
const MOVES = new Set([
	'ArrowLeft',
	'ArrowRight',
	'ArrowUp',
	'ArrowDown',
	'PageUp',
	'PageDown',
	'Escape',
	'Enter',
	'F6',
	'F8'
]);

/**
 * Makes a handler for `keydown` from keys to actions. `Mod+s` is Ctrl or ⌘; a plain key never fires
 * while typing, with a modifier held, or when single keys are switched off in the settings.
 * @example <svelte:window onkeydown={onKeys({ n: toggleNames, 'Mod+s': save })} />
 */
export function onKeys(actions: Actions): (event: KeyboardEvent) => void {
	return (event) => {
		if (event.defaultPrevented || event.altKey) return;
		const mod = event.ctrlKey || event.metaKey;
		const name = event.key.length === 1 ? event.key.toLowerCase() : event.key;
		const shift = event.shiftKey && (mod || event.key.length > 1) ? 'Shift+' : '';
		// With Shift the point is another sign, and which one hangs on the keyboard.
		const point = event.shiftKey && !mod && event.code === 'Period';
		const action = actions[point ? 'Shift+.' : `${mod ? 'Mod+' : ''}${shift}${name}`];
		if (!action) return;
		if (!mod) {
			if (isTyping(event.target)) return;
			if (!MOVES.has(name) && !prefs.current.singleKeys) return;
			// Enter and the arrows belong to whatever control has the focus.
			const control =
				event.target instanceof Element &&
				event.target.closest('button, a, [role="slider"], [role="radio"], [role="gridcell"]');
			if (control && OWN.has(name)) return;
			// Reached by keys, a control keeps the space bar; after a click of the mouse it plays and stops.
			if (control && name === ' ' && control.matches(':focus-visible')) return;
		} else if (isTyping(event.target) && name === 'z') return;
		event.preventDefault();
		action(event);
	};
}

/**
 * Keys inside a view that covers the screen and owns them all: no other handler hears them. Controls keep
 * the space bar and Enter while they were reached by keys.
 */
export function onlyKeys(actions: Actions): (event: KeyboardEvent) => void {
	return (event) => {
		if (event.altKey || event.ctrlKey || event.metaKey) return;
		const name = event.key.length === 1 ? event.key.toLowerCase() : event.key;
		const action = actions[name];
		if (!action) return;
		if (!MOVES.has(name) && name !== ' ' && !prefs.current.singleKeys) return;
		const control = event.target instanceof Element && event.target.closest('button, a');
		if (control && (name === ' ' || name === 'Enter') && control.matches(':focus-visible')) return;
		event.preventDefault();
		event.stopPropagation();
		action(event);
	};
}

/**
 * Makes a handler for the capture of `keydown` that stops the music with the space bar wherever the focus
 * is, except in text and in dialogs.
 */
export function stopWithSpace(
	playing: () => boolean,
	stop: () => void
): (event: KeyboardEvent) => void {
	return (event) => {
		if (event.key !== ' ' || event.altKey || event.ctrlKey || event.metaKey) return;
		if (!playing() || isTyping(event.target) || !prefs.current.singleKeys) return;
		event.preventDefault();
		event.stopPropagation();
		stop();
	};
}
