/** A row of the settings: its mark or switch, its name, and what it means. */
export const OPTION =
	'grid min-h-11.5 w-full grid-cols-[56px_190px_1fr] items-center border-b border-hair text-left hover:bg-lit max-tablet:grid-cols-[52px_1fr] max-tablet:py-2';
export const OPTION_SAYS = 'text-line text-second max-tablet:col-start-2';

/** What a list opens into, and a line of it. */
export const LIST =
	'z-50 max-h-(--bits-floating-available-height) min-w-(--bits-floating-anchor-width) overflow-y-auto border-2 border-ink bg-lit py-1 text-line text-ink';
export const LIST_LINE =
	'cursor-pointer px-3 py-1 outline-none data-highlighted:bg-ink data-highlighted:text-paper data-selected:font-bold';
