import { toast } from 'svelte-sonner';
import { Refusal } from './api';

/** Tells why something did not work: in the server's words, or in those given. */
const tell = (error: unknown, otherwise = 'That did not work; try again.'): void => {
	toast(error instanceof Refusal ? error.message : otherwise);
};

/**
 * Does something that can be undone, tells it and offers the way back. What is refused, there and back, is told and
 * changes nothing.
 * @param told what was done, as a sentence
 * @returns whether it was done
 */
export async function offeringBack(
	told: string,
	work: () => Promise<unknown>,
	back: () => Promise<unknown>
): Promise<boolean> {
	try {
		await work();
	} catch (error) {
		tell(error, 'Deleting failed; try again.');
		return false;
	}
	offerBack(told, back);
	return true;
}

/** Tells what was done and offers the way back; notices of one `id` take each other's place. */
export function offerBack(
	told: string,
	back: () => Promise<unknown>,
	{ id, label = 'Bring it back' }: { readonly id?: string; readonly label?: string } = {}
): void {
	const onClick = () => void back().catch((error: unknown) => tell(error));
	toast(told, { id, action: { label, onClick } });
}
