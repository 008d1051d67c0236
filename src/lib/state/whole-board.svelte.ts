import type { Board } from '$lib/api/home-page';
import { send } from './api';

/** The first rows of a board; `partial` where there are more. */
type First = Board & { readonly partial: boolean };

/**
 * The board of a large notebook, of which the page has only the first rows: it is asked for once the page stands,
 * and again whenever the page brings something new.
 */
export class WholeBoard {
	private whole: { readonly of: object; readonly board: Board } | null = $state.raw(null);
	private asked: object | null = null;

	/** The whole board of these first rows, or as it was before them until it comes; else the rows themselves. */
	of(first: First): Board {
		return first.partial && this.whole ? this.whole.board : first;
	}

	/** Whether the board that is shown is whole and belongs to these first rows. */
	isWhole(first: First): boolean {
		return !first.partial || this.whole?.of === first;
	}

	/** Asks for the whole board; what comes after the page has moved on is let go. */
	async load(first: First): Promise<void> {
		if (!first.partial || this.asked === first) return;
		this.asked = first;
		const { tunes, sets, practice } = await send<
			Omit<Board, 'practice'> & { practice: [string, never][] }
		>('GET', '/notebook.json');
		if (this.asked !== first) return;
		this.whole = { of: first, board: { tunes, sets, practice: new Map(practice) } };
	}
}
