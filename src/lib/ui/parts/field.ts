import { tv } from 'tailwind-variants/lite';

/** A value that is written or chosen, and the words over it or, in a row, before it. */
export const field = tv({
	slots: {
		label: 'text-reason text-second',
		control: 'border-[1.5px] border-ink bg-paper text-ink disabled:border-hair disabled:text-third',
		// Under the ring of a field that has the focus.
		wrong: 'pt-1.5 text-reason leading-tight font-bold empty:hidden',
		check: 'flex min-h-8 items-center gap-2 text-line text-ink',
		box: 'size-4.5 flex-none accent-ink'
	},
	variants: {
		small: {
			true: { control: 'px-1.5 text-reason' },
			false: { control: 'px-2 text-line' }
		},
		/** What stands in it may need more than one line. */
		grows: { true: {}, false: {} },
		row: {
			true: { label: 'flex items-center justify-between gap-2 whitespace-nowrap', control: '' },
			false: { label: 'block', control: 'mt-0.5 block w-full' }
		}
	},
	compoundVariants: [
		{ small: false, grows: false, class: { control: 'h-9' } },
		{ small: true, grows: false, class: { control: 'h-7' } },
		{ small: false, grows: true, class: { control: 'min-h-9 py-1' } },
		{ small: true, grows: true, class: { control: 'min-h-7 py-0.5' } }
	],
	defaultVariants: { row: false, small: false, grows: false }
});
