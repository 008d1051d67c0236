import { tv } from 'tailwind-variants/lite';

/** What was done, told for a while at the corner, with the way back. */
export const notice = tv({
	slots: {
		box: 'flex min-h-11 w-88 items-center gap-4 bg-ink px-4 py-2 font-sans text-line font-semibold text-paper max-tablet:w-full',
		act: 'ml-auto font-bold whitespace-nowrap underline underline-offset-4'
	}
});
