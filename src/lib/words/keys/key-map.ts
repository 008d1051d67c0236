/** A key with a sign or a letter of its own. */
type Sign =
	| ('a' | 'b' | 'c' | 'd' | 'e' | 'f' | 'g' | 'h' | 'i' | 'j' | 'k' | 'l' | 'm')
	| ('n' | 'o' | 'p' | 'q' | 'r' | 's' | 't' | 'u' | 'v' | 'w' | 'x' | 'y' | 'z')
	| ('1' | '2' | '3' | '4' | '5' | '6' | ' ' | ',' | '.' | '[' | ']' | '-' | '=' | '+' | '/' | '?')
	| ('~' | "'" | '"' | '(' | '|' | '{' | '}' | ';');
type Arrow = 'ArrowLeft' | 'ArrowRight' | 'ArrowUp' | 'ArrowDown';
type Named =
	Arrow | 'PageUp' | 'PageDown' | 'Enter' | 'Escape' | 'Delete' | 'Backspace' | 'F6' | 'F8';

/** A key as the browser names it, with what is held beside it; `Mod` is Ctrl or ⌘. */
export type Combo =
	| Sign
	| Named
	| 'Shift+.'
	| `Shift+${Arrow}`
	| `Alt+${Arrow}`
	| `Mod+${Sign | Arrow}`
	| `Mod+Shift+${Sign}`;

type Keys = Combo | readonly Combo[];

/** One action; of several keys the first is shown. */
export type OneWay = {
	readonly key: Keys;
	readonly does: string;
	/** What the foot of a screen says instead. */
	readonly foot?: string;
};
/** An action with two directions: back is −1, on is +1. Keys of the same place in both lists belong together. */
export type TwoWay = {
	readonly back: Keys;
	readonly on: Keys;
	readonly does: string;
	readonly foot?: string;
};
/** Keys that a control or an instrument of letters keeps for itself: told, not handled. */
export type Told = { readonly shown: string; readonly does: string; readonly foot?: string };
export type Row = OneWay | TwoWay | Told;

/** The keys of a screen by the name of what they do: handlers, caps, foot and help are made of it. */
export type KeyMap = Readonly<Record<string, Row>>;

const list = (keys: Keys): readonly Combo[] => (typeof keys === 'string' ? [keys] : keys);

/** Every key of a row and its direction; none where it is only told. */
export function combosOf(row: Row): readonly { readonly combo: Combo; readonly by: 1 | -1 }[] {
	if ('shown' in row) return [];
	if ('key' in row) return list(row.key).map((combo) => ({ combo, by: 1 }));
	return [
		...list(row.back).map((combo) => ({ combo, by: -1 as const })),
		...list(row.on).map((combo) => ({ combo, by: 1 as const }))
	];
}

const CAPS: Readonly<Record<string, string>> = {
	...{ ArrowLeft: '←', ArrowRight: '→', ArrowUp: '↑', ArrowDown: '↓', ' ': 'Space', Mod: 'Ctrl' },
	...{ PageUp: 'PgUp', PageDown: 'PgDn', Delete: 'Del', Backspace: '⌫', Escape: 'Esc' }
};
/** What is printed on the keys of a combination. */
const caps = (combo: Combo): string[] =>
	combo
		.split('+')
		.map(
			(part) => CAPS[part] ?? (part === '' ? '+' : part.length === 1 ? part.toUpperCase() : part)
		);

/** The caps of a row, each way of pressing it by itself: `['← →', '[ ]']`. */
export function capsOf(row: Row): readonly string[] {
	if ('shown' in row) return [row.shown];
	if ('key' in row) return list(row.key).map((combo) => caps(combo).join(' '));
	const on = list(row.on).map(caps);
	return list(row.back).map((combo, i) => {
		const back = caps(combo);
		// What is held for both is shown once.
		const held = on[i]?.slice(0, -1) ?? [];
		const same = held.join() === back.slice(0, -1).join();
		return [...back, ...((same ? on[i]?.slice(-1) : on[i]) ?? [])].join(' ');
	});
}

/** The caps that a foot or a button shows. */
export const capOf = (row: Row): string => capsOf(row)[0];

/** As `aria-keyshortcuts` names the keys of an action. */
export const shortcutOf = (row: OneWay): string =>
	list(row.key)[0]
		.replace('Mod', 'Control')
		.replace(' ', 'Space')
		.replace(/(^|\+)([a-z])$/, (_, held: string, letter: string) => held + letter.toUpperCase());
