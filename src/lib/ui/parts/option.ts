/** A row of the settings: its mark or switch, its name, and what it means. */
export const OPTION =
	'grid min-h-11.5 w-full grid-cols-[56px_190px_1fr] items-center border-b border-hair text-left hover:bg-lit max-tablet:grid-cols-[52px_1fr] max-tablet:py-2';
export const OPTION_SAYS = 'text-line text-second max-tablet:col-start-2';
