import { tv, type VariantProps } from 'tailwind-variants/lite';

/** What is pressed: framed for acts, filled for the one that goes on, bare for what stands beside. */
export const button = tv({
	base: 'inline-flex items-center gap-2 font-bold disabled:cursor-default disabled:text-third',
	variants: {
		look: {
			plain:
				'min-h-9 border-[1.5px] border-ink whitespace-nowrap hover:bg-lit disabled:border-hair disabled:bg-transparent',
			main: 'min-h-9 border-[1.5px] border-ink bg-ink whitespace-nowrap text-paper hover:bg-second disabled:border-hair disabled:bg-transparent',
			quiet: 'min-h-8 hover:underline hover:underline-offset-4'
		},
		size: { line: 'text-line', small: 'text-reason' },
		tight: { true: 'px-2', false: '' }
	},
	compoundVariants: [{ look: ['plain', 'main'], tight: false, class: 'px-3' }],
	defaultVariants: { look: 'plain', size: 'line', tight: false }
});
export type ButtonLook = VariantProps<typeof button>;
