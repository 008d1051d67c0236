import { setError, superForm, type SuperForm } from 'sveltekit-superforms';
import { zod4Client } from 'sveltekit-superforms/adapters';
import type { ZodMiniType } from 'zod/mini';

/** Why what was typed is not kept: at a field of the form, or of all of it (`field` left out). */
export type NotKept<T> = { readonly field?: keyof T & string; readonly message: string };

/**
 * A form that is checked here, by the rules of the server, and kept by a call of the API.
 * Nothing is called wrong before it is left or sent; what is wrong is told at its field, and the first one has the focus.
 * @param start what it begins with
 * @param keep keeps what is sound; answers with why not, or with nothing when it is kept
 * @param clears it begins anew when it has kept something, for the next one
 * @param made what is sent, where that is made of what was typed
 */
export function typedForm<T extends Record<string, unknown>>(
	schema: ZodMiniType<T, T>,
	start: T,
	keep: (typed: T) => Promise<NotKept<T> | undefined> | NotKept<T> | undefined,
	{ clears = false, made }: { clears?: boolean; made?: () => T } = {}
): SuperForm<T, string> {
	const typed = superForm<T, string>(start, {
		SPA: true,
		dataType: 'json',
		validators: zod4Client(schema),
		resetForm: clears,
		applyAction: false,
		invalidateAll: false,
		scrollToError: 'auto',
		onSubmit: () => {
			if (made) typed.form.set(made(), { taint: false });
		},
		onUpdate: async ({ form }) => {
			if (!form.valid) return;
			const refused = await keep(form.data);
			if (refused) setError(form, (refused.field ?? '') as '', refused.message);
		}
	});
	return typed;
}
