import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import { onKeys, onlyKeys, stopWithSpace } from './keys';
import { prefs } from './prefs.svelte';

/** An element as far as the keys look at one: what it is inside of, and whether keys have reached it. */
class FakeElement {
	constructor(
		private readonly kinds: readonly string[],
		private readonly reached = false
	) {}
	closest(selector: string): FakeElement | null {
		return this.kinds.some((kind) => selector.includes(kind)) ? this : null;
	}
	matches(selector: string): boolean {
		return selector === ':focus-visible' && this.reached;
	}
}
const body = new FakeElement([]);
const input = new FakeElement(['input']);
const dialog = new FakeElement(['[role="dialog"]', 'button']);
const clicked = new FakeElement(['button']);
const reached = new FakeElement(['button'], true);

type Press = {
	target?: FakeElement;
	ctrl?: boolean;
	alt?: boolean;
	shift?: boolean;
	code?: string;
};
/** Presses a key; true when the handler took it. */
function press(
	handler: (event: KeyboardEvent) => void,
	key: string,
	{ target = body, ctrl = false, alt = false, shift = false, code = '' }: Press = {}
): boolean {
	const event = {
		...{ key, code, target, ctrlKey: ctrl, altKey: alt, metaKey: false, shiftKey: shift },
		defaultPrevented: false,
		preventDefault() {
			event.defaultPrevented = true;
		},
		stopPropagation() {}
	};
	handler(event as unknown as KeyboardEvent);
	return event.defaultPrevented;
}

const done: string[] = [];
const mark = (name: string) => () => done.push(name);
beforeEach(() => {
	done.length = 0;
	prefs.set('singleKeys', true);
	vi.stubGlobal('Element', FakeElement);
});
afterEach(() => vi.unstubAllGlobals());

describe('keys of a screen', () => {
	const keys = onKeys({
		...{ a: mark('a'), ' ': mark('space'), Enter: mark('enter'), PageDown: mark('on') },
		...{ 'Shift+.': mark('next key'), 'Mod+s': mark('save'), 'Mod+z': mark('undo') }
	});

	it('act from anywhere but text and dialogs', () => {
		expect(press(keys, 'a')).toBe(true);
		expect(press(keys, 'A', { shift: true })).toBe(true);
		expect(press(keys, 'a', { target: input })).toBe(false);
		expect(press(keys, 'a', { target: dialog })).toBe(false);
		expect(press(keys, 'a', { alt: true })).toBe(false);
		expect(press(keys, 'q')).toBe(false);
		expect(done).toEqual(['a', 'a']);
	});

	it('can be switched off, save for pedals and commands', () => {
		prefs.set('singleKeys', false);
		expect(press(keys, 'a')).toBe(false);
		expect(press(keys, 'PageDown')).toBe(true);
		expect(press(keys, 's', { ctrl: true })).toBe(true);
		expect(done).toEqual(['on', 'save']);
	});

	it('leave Enter to controls, and undo to text', () => {
		expect(press(keys, 'Enter', { target: clicked })).toBe(false);
		expect(press(keys, 'Enter')).toBe(true);
		expect(press(keys, 'z', { ctrl: true, target: input })).toBe(false);
		expect(press(keys, 's', { ctrl: true, target: input })).toBe(true);
	});

	it('give the space bar to a control that keys have reached, not to one that was clicked', () => {
		expect(press(keys, ' ', { target: reached })).toBe(false);
		expect(press(keys, ' ', { target: clicked })).toBe(true);
		expect(done).toEqual(['space']);
	});

	it('know the point with Shift by its place on the keyboard', () => {
		expect(press(keys, ':', { shift: true, code: 'Period' })).toBe(true);
		expect(done).toEqual(['next key']);
	});
});

describe('keys of a view that covers the screen', () => {
	const keys = onlyKeys({ f: mark('leave'), ' ': mark('space'), Enter: mark('again') });

	it('act inside its dialog, and leave controls that keys have reached alone', () => {
		expect(press(keys, 'f', { target: dialog })).toBe(true);
		expect(press(keys, 'Enter', { target: clicked })).toBe(true);
		expect(press(keys, 'Enter', { target: reached })).toBe(false);
		expect(press(keys, 'f', { ctrl: true })).toBe(false);
		expect(done).toEqual(['leave', 'again']);
	});

	it('the space bar plays even where single keys are off', () => {
		prefs.set('singleKeys', false);
		expect(press(keys, 'f')).toBe(false);
		expect(press(keys, ' ')).toBe(true);
	});
});

describe('stopping with the space bar', () => {
	let playing = true;
	const keys = stopWithSpace(() => playing, mark('stop'));

	it('works on any control while music plays, not in text or dialogs', () => {
		playing = true;
		expect(press(keys, ' ', { target: reached })).toBe(true);
		expect(press(keys, ' ', { target: input })).toBe(false);
		expect(press(keys, ' ', { target: dialog })).toBe(false);
		expect(press(keys, 'a', { target: reached })).toBe(false);
		playing = false;
		expect(press(keys, ' ', { target: reached })).toBe(false);
		expect(done).toEqual(['stop']);
	});
});
