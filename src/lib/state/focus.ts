const TEXT =
	'textarea, select, [contenteditable]:not([contenteditable="false"]), [role="textbox"], input:not([type="range"], [type="checkbox"], [type="radio"], [type="button"], [type="submit"], [type="file"])';
/** What lies over the screen and has every key to itself; a list that is open, too. */
const OVER =
	'[role="dialog"], [role="menu"], [role="listbox"], [role="combobox"][aria-expanded="true"]';
/** What is worked with Enter and the space bar. */
const CONTROL =
	'button, a[href], summary, input, [role="button"], [role="slider"], [role="radio"], [role="tab"], [role="gridcell"], [role="checkbox"], [role="switch"], [role="combobox"]';
/** What moves inside with arrows, and says so. */
const ARROWS =
	'[role="slider"], [role="radio"], [role="tab"], [role="gridcell"], [role="combobox"], [data-arrows]';

const inside = (target: EventTarget | null, what: string): boolean =>
	target instanceof Element && target.closest(what) !== null;

/** True while keys belong to a text field. */
export const isText = (target: EventTarget | null): boolean => inside(target, TEXT);

/** True while keys belong to a text field, or to a dialog, a menu or a list that is open. */
export const isTyping = (target: EventTarget | null): boolean =>
	isText(target) || inside(target, OVER);

/** The last thing that was touched was a mouse, a screen or a pen, not a key. */
let pointing = false;
/** The element that has the focus because it was pointed at. */
let pointedAt: EventTarget | null = null;

/** Watches how the focus comes to where it is; once, for the page. */
export function watchFocus(): void {
	const options = { capture: true, passive: true };
	addEventListener('pointerdown', () => (pointing = true), options);
	addEventListener('keydown', () => (pointing = false), options);
	addEventListener('focusin', (event) => (pointedAt = pointing ? event.target : null), options);
}

/**
 * What has the focus keeps a key: text all plain ones, a control Enter and the space bar, a group its arrows.
 * A control that was only clicked keeps none: the keys that a screen shows go on working. A group that is being
 * worked, and says so, keeps its arrows and Enter all the same (`data-arrows="always"`). A closed list in which one
 * can type keeps what is typed, once keys have come to it (`data-types`).
 */
export function keepsKey({ target, key }: Pick<KeyboardEvent, 'target' | 'key'>): boolean {
	if (isTyping(target)) return true;
	const moves = key.startsWith('Arrow') || key === 'Enter';
	if (moves && inside(target, '[data-arrows="always"]')) return true;
	if (target === pointedAt) return false;
	if (key === 'Enter' || key === ' ') return inside(target, CONTROL);
	if (key.length === 1 && inside(target, '[data-types]')) return true;
	return key.startsWith('Arrow') && inside(target, ARROWS);
}
