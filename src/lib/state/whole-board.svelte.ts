import type { Board } from '$lib/server/home';
import { send } from './api';

/**
 * The board of a large notebook, of which the page has only the first rows: it is asked for once the page stands,
 * and again whenever the page brings something new.
 */
export class WholeBoard {
	private whole: { readonly of: object; readonly board: Board } | null = $state.raw(null);
	private asked: object | null = null;

	/** The whole board where it is there for these first rows, else the rows themselves. */
	of<First extends Board>(first: First): Board {
		return this.whole?.of === first ? this.whole.board : first;
	}

	/** Asks for the whole board; what comes after the page has moved on is let go. */
	async load(first: Board & { readonly partial: boolean }): Promise<void> {
		if (!first.partial || this.asked === first) return;
		this.asked = first;
		const { tunes, sets, practice } = await send<
			Omit<Board, 'practice'> & { practice: [string, never][] }
		>('GET', '/notebook.json');
		if (this.asked !== first) return;
		this.whole = { of: first, board: { tunes, sets, practice: new Map(practice) } };
	}
}
