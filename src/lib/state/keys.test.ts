import { KEY_MAPS } from '$lib/words/keys/all';
import { capsOf, combosOf, shortcutOf, type KeyMap } from '$lib/words/keys/key-map';
import { BAND, EVERYWHERE } from '$lib/words/keys/everywhere';
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import { bindKeys, bindLetters, press as hear } from './keys';
import { prefs } from './prefs.svelte';

/** An element as far as the keys look at one: what it is inside of, and whether keys have reached it. */
class FakeElement {
	constructor(
		private readonly kinds: readonly string[],
		private readonly reached = false
	) {}
	closest(selector: string): FakeElement | null {
		const asked = selector.split(/,\s*/);
		return this.kinds.some((kind) => asked.some((one) => one.startsWith(kind))) ? this : null;
	}
	matches(selector: string): boolean {
		return selector === ':focus-visible' && this.reached;
	}
}
const body = new FakeElement([]);
const field = new FakeElement(['textarea', 'input']);
const dialog = new FakeElement(['[role="dialog"]', 'button']);
const button = new FakeElement(['button'], true);
const slider = new FakeElement(['[role="slider"]']);

type Press = {
	target?: FakeElement;
	ctrl?: boolean;
	alt?: boolean;
	shift?: boolean;
	code?: string;
};
type Heard = { type: string; target: unknown };
const heardFocus: ((event: Heard) => void)[] = [];
const heardPointer: ((event: Heard) => void)[] = [];
const heardKeys: ((event: Heard) => void)[] = [];

/** Presses a key; true when somebody took it. */
function press(
	key: string,
	{ target = body, ctrl = false, alt = false, shift = false, code = '' }: Press = {}
): boolean {
	const event = {
		...{ key, code, target, ctrlKey: ctrl, altKey: alt, metaKey: false, shiftKey: shift },
		...{ isComposing: false, defaultPrevented: false, eventPhase: key === 'Escape' ? 3 : 1 },
		preventDefault() {
			event.defaultPrevented = true;
		},
		stopPropagation() {}
	};
	hear(event as unknown as KeyboardEvent);
	return event.defaultPrevented;
}
/** Points at something, which then has the focus. */
function click(target: FakeElement): void {
	for (const listener of heardPointer) listener({ type: 'pointerdown', target });
	for (const listener of heardFocus) listener({ type: 'focusin', target });
}
/** The focus goes on by keys. */
function tabTo(target: FakeElement): void {
	heardKeys[0]({ type: 'keydown', target });
	for (const listener of heardFocus) listener({ type: 'focusin', target });
}

const MAP = {
	lock: { key: 'l', does: 'lock' },
	step: { back: ['ArrowLeft', ','], on: ['ArrowRight', '.'], does: 'back, on' },
	go: { key: ['Enter', 'PageDown'], does: 'go' },
	play: { key: ' ', does: 'play' },
	nextKey: { key: 'Shift+.', does: 'next key' },
	save: { key: 'Mod+s', does: 'save' },
	undo: { key: 'Mod+z', does: 'undo' },
	leave: { key: 'Escape', does: 'leave' },
	told: { shown: 'Tab', does: 'told' }
} as const satisfies KeyMap;
const done: string[] = [];
const mark = (name: string) => (by: unknown) =>
	done.push(typeof by === 'number' ? `${name} ${by}` : name);
const actions = {
	...{ lock: mark('lock'), step: mark('step'), go: mark('go'), play: mark('play') },
	...{ nextKey: mark('next key'), save: mark('save'), undo: mark('undo'), leave: mark('leave') }
};
const undo: (() => void)[] = [];

vi.stubGlobal('addEventListener', (type: string, listener: (event: Heard) => void) => {
	if (type === 'focusin') heardFocus.push(listener);
	if (type === 'pointerdown') heardPointer.push(listener);
	if (type === 'keydown') heardKeys.push(listener);
});
beforeEach(() => {
	done.length = 0;
	prefs.set('singleKeys', true);
	vi.stubGlobal('Element', FakeElement);
	vi.stubGlobal('Event', { CAPTURING_PHASE: 1 });
	vi.stubGlobal('dispatchEvent', () => true);
	vi.stubGlobal('getSelection', () => null);
});
afterEach(() => {
	for (const take of undo.splice(0)) take();
});
const bind = (...asked: Parameters<typeof bindKeys<typeof MAP>>) => undo.push(bindKeys(...asked));

describe('keys of a screen', () => {
	beforeEach(() => bind(MAP, actions));

	it('act from anywhere but text and dialogs', () => {
		expect(press('l')).toBe(true);
		expect(press('L', { shift: true })).toBe(true);
		expect(press('l', { target: field })).toBe(false);
		expect(press('l', { target: dialog })).toBe(false);
		expect(press('l', { alt: true })).toBe(false);
		expect(press('q')).toBe(false);
		expect(done).toEqual(['lock', 'lock']);
	});

	it('go back and on', () => {
		for (const key of ['ArrowLeft', ',', 'ArrowRight', '.']) press(key);
		expect(done).toEqual(['step -1', 'step -1', 'step 1', 'step 1']);
	});

	it('can be switched off, save for pedals and commands', () => {
		prefs.set('singleKeys', false);
		expect(press('l')).toBe(false);
		expect(press('PageDown')).toBe(true);
		expect(press('s', { ctrl: true })).toBe(true);
		expect(done).toEqual(['go', 'save']);
	});

	it('leave text its own commands, save for the one that saves', () => {
		expect(press('z', { ctrl: true, target: field })).toBe(false);
		expect(press('s', { ctrl: true, target: field })).toBe(true);
	});

	it('leave Enter, the space bar and said arrows to what keys have reached', () => {
		expect(press('Enter', { target: button })).toBe(false);
		expect(press(' ', { target: button })).toBe(false);
		expect(press('ArrowLeft', { target: button })).toBe(true);
		expect(press('ArrowLeft', { target: slider })).toBe(false);
		expect(press('l', { target: slider })).toBe(true);
		expect(done).toEqual(['step -1', 'lock']);
	});

	it('all work after a click, whatever was clicked', () => {
		for (const target of [button, slider]) {
			click(target);
			for (const key of ['Enter', ' ', 'ArrowLeft', 'l']) expect(press(key, { target })).toBe(true);
		}
		tabTo(slider);
		expect(press('ArrowLeft', { target: slider })).toBe(false);
	});

	it('know the point with Shift by its place on the keyboard', () => {
		expect(press(':', { shift: true, code: 'Period' })).toBe(true);
		expect(done).toEqual(['next key']);
	});

	it('do not compile with a name that the map does not have, nor without one that it has', () => {
		// @ts-expect-error there is no such name
		undo.push(bindKeys(MAP, { ...actions, unlock: mark('unlock') } satisfies typeof actions));
		// @ts-expect-error what is only told has no action
		undo.push(bindKeys(MAP, { ...actions, told: mark('told') } satisfies typeof actions));
		const { lock: _, ...rest } = actions;
		// @ts-expect-error the lock has no action
		undo.push(bindKeys(MAP, rest));
	});
});

describe('who comes first', () => {
	it('the nearest, while it wants to', () => {
		let writing = true;
		bind(MAP, { ...actions, lock: mark('far') }, { level: 'app' });
		bind(MAP, { ...actions, lock: mark('near') }, { when: () => writing });
		press('l');
		writing = false;
		press('l');
		expect(done).toEqual(['near', 'far']);
	});

	it('letters that are notes before the keys of the screen', () => {
		bind(MAP, actions);
		undo.push(bindLetters(({ key }) => key === 'l' && done.push('note') > 0));
		press('l');
		press('s', { ctrl: true });
		expect(done).toEqual(['note', 'save']);
	});

	it('a view over the screen alone, in its dialog', () => {
		bind(MAP, { ...actions, lock: mark('under') });
		const { lock: _, ...over } = MAP;
		const { lock: __, ...acts } = actions;
		undo.push(bindKeys(over, acts, { level: 'view', alone: true }));
		expect(press('l', { target: dialog })).toBe(false);
		expect(press('PageDown', { target: dialog })).toBe(true);
		expect(press('Enter', { target: button })).toBe(false);
		prefs.set('singleKeys', false);
		expect(press(' ', { target: dialog })).toBe(true);
		expect(done).toEqual(['go', 'play']);
	});
});

describe('the maps', () => {
	it('show their keys as they are printed', () => {
		expect(capsOf(MAP.step)).toEqual(['← →', ', .']);
		expect(capsOf({ back: 'Shift+ArrowLeft', on: 'Shift+ArrowRight', does: '' })).toEqual([
			'Shift ← →'
		]);
		expect(capsOf(MAP.save)).toEqual(['Ctrl S']);
		expect(capsOf(BAND.speed)).toEqual(['- =']);
		expect(shortcutOf(MAP.save)).toBe('Control+S');
		expect(shortcutOf(BAND.play)).toBe('Space');
	});

	const OF = Object.fromEntries(KEY_MAPS);
	const together = KEY_MAPS.map(([where]) => where).filter((where) => !where.startsWith('Route,'));
	it.each(together)('%s: no key does two things', (where) => {
		const maps =
			where === 'Route'
				? KEY_MAPS.filter(([name]) => name.startsWith('Route'))
				: [[where, OF[where]] as const];
		const combos = maps.flatMap(([, map]) => Object.values(map).flatMap(combosOf));
		const names = combos.map(({ combo }) => combo);
		expect(names.filter((combo, i) => names.indexOf(combo) !== i)).toEqual([]);
	});

	it('of the screens of a tune leave those of the app and the band alone', () => {
		const far = [EVERYWHERE, BAND].flatMap((map) =>
			Object.values<KeyMap[string]>(map)
				.flatMap(combosOf)
				.map(({ combo }) => combo)
		);
		for (const where of ['Chart', 'Neck', 'Route', 'Phrase', 'Drill', 'Sheet', 'Notebook']) {
			if (where === 'Notebook') far.splice(far.indexOf(' '), 1);
			const own = Object.values(OF[where]).flatMap(combosOf);
			expect(
				own.filter(({ combo }) => far.includes(combo)),
				where
			).toEqual([]);
		}
	});
});
