import { tv } from 'tailwind-variants/lite';

/** One of several panels in the same room: named large, or many of them small beside their keys. */
export const tabs = tv({
	slots: { list: 'flex border-b-2 border-ink', tab: '' },
	variants: {
		size: {
			large: {
				list: 'gap-4.5',
				tab: 'min-h-8 font-display text-head font-extrabold text-second data-[state=active]:text-ink data-[state=active]:shadow-[inset_0_-4px_0_var(--ink)]'
			},
			small: {
				list: 'flex-wrap gap-x-2',
				tab: 'inline-flex min-h-8 items-center gap-1 border-b-4 border-transparent text-reason whitespace-nowrap text-second hover:text-ink data-[state=active]:border-b-ink data-[state=active]:font-bold data-[state=active]:text-ink max-tablet:min-h-11'
			}
		}
	},
	defaultVariants: { size: 'small' }
});
