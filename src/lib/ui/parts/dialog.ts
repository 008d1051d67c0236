import { tv } from 'tailwind-variants/lite';

/** A dialog over the screen: what dims it, the sheet, its title and the sentence under it. */
export const dialog = tv({
	slots: {
		veil: 'fixed inset-0 z-40 bg-ink/55 dark:bg-paper/70',
		sheet:
			'@container fixed top-1/2 left-1/2 z-41 max-h-[calc(100dvh_-_48px)] -translate-1/2 overflow-auto border-t-6 border-ink bg-paper p-6',
		title: 'font-display text-verdict font-extrabold',
		lead: 'mt-1 mb-4 text-second'
	},
	variants: {
		width: {
			small: { sheet: 'w-[min(560px,calc(100vw_-_32px))]' },
			usual: { sheet: 'w-[min(860px,calc(100vw_-_32px))]' },
			wide: { sheet: 'w-[min(940px,calc(100vw_-_32px))]' }
		}
	},
	defaultVariants: { width: 'usual' }
});
