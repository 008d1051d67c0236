import { browser } from '$app/environment';
import { keptHere } from './browser-store.svelte';

/** Widths of columns in px, by their names; none while the table lays them out itself. */
export type Widths = Readonly<Record<string, number>>;

/** The least that a column can be made, in px. */
export const NARROWEST = 40;
/** That of a column which came after the player set the others, in px. */
const USUAL_WIDTH = 120;
const WIDEST = 2000;

/** How wide the player has made the columns of a table, kept in this browser. */
export class ColumnWidths {
	current: Widths = $state.raw({});
	private readonly store: string;

	constructor(table: string) {
		this.store = `arc-step-columns-${table}`;
	}

	/** How wide a column is where the player set any, in px. */
	of(column: string): number {
		return this.current[column] ?? USUAL_WIDTH;
	}

	/** How wide columns are together, in px. */
	total(columns: readonly string[]): number {
		return columns.reduce((sum, column) => sum + this.of(column), 0);
	}

	/** Reads what was kept; call once in the browser. What cannot be read is as at first. */
	load(): void {
		if (!browser) return;
		try {
			const read: unknown = JSON.parse(keptHere.get(this.store) ?? '{}');
			if (typeof read === 'object' && read !== null) this.current = sound(Object.entries(read));
		} catch {
			this.current = {};
		}
	}

	set(widths: Widths): void {
		this.current = sound(Object.entries(widths));
		keptHere.set(this.store, JSON.stringify(this.current));
	}

	/** The table lays its columns out itself again. */
	clear(): void {
		this.current = {};
		keptHere.remove(this.store);
	}
}

const sound = (entries: readonly (readonly [string, unknown])[]): Widths =>
	Object.fromEntries(
		entries.flatMap(([name, width]) =>
			typeof width === 'number' && Number.isFinite(width)
				? [[name, Math.round(Math.min(WIDEST, Math.max(NARROWEST, width)))]]
				: []
		)
	);
