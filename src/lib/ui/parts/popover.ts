import { tv } from 'tailwind-variants/lite';

/** A small value that opens a choice; the panel it opens; a menu and its lines. */
export const popover = tv({
	slots: {
		pick: 'inline-flex min-h-7 items-center gap-1 border-b-[1.5px] border-strong font-semibold whitespace-nowrap hover:border-ink',
		pop: 'z-30 grid gap-2 border-2 border-ink bg-lit p-4',
		menu: 'z-30 min-w-60 border-2 border-ink bg-lit py-1',
		item: 'cursor-pointer px-4 py-2 outline-none data-highlighted:bg-ink data-highlighted:text-paper',
		rule: 'my-1 h-px bg-hair'
	}
});
/** How wide a panel is that holds a few fields. */
export const POP_WIDTH = 'w-[min(420px,calc(100vw_-_24px))]';
