<script lang="ts">
	import { typedForm } from '$lib/state/typed-form';
	import { untrack } from 'svelte';
	import type { Snippet } from 'svelte';
	import type { ZodMiniType } from 'zod/mini';
	import Button from './Button.svelte';
	import Field from './Field.svelte';

	/** One line that is typed, checked and taken with Enter; it is empty again when it was taken. */
	type Props = {
		schema: ZodMiniType<{ line: string }, { line: string }>;
		label: string;
		placeholder?: string;
		maxlength?: number;
		/** Takes what is sound; answers with why not, or with nothing. */
		ontake: (line: string) => Promise<string | undefined> | string | undefined;
		/** The words of the button; without, Enter alone takes it. */
		action?: string;
		/** It is taken when it is left, too. */
		eager?: boolean;
		/** The label stands before it. */
		row?: boolean;
		/** What stands after it, such as its key. */
		after?: Snippet;
	};
	let {
		schema,
		label,
		placeholder,
		maxlength = 200,
		ontake,
		action,
		eager = false,
		row = false,
		after
	}: Props = $props();
	let field: HTMLInputElement | undefined = $state();
	export function focus(): void {
		field?.focus();
	}
	const { form, errors, enhance, submit } = typedForm(
		untrack(() => schema),
		{ line: '' },
		async ({ line }) => {
			const message = await ontake(line);
			return message ? { field: 'line', message } : undefined;
		},
		{ clears: true }
	);
</script>

<form
	class="grid grid-cols-[minmax(0,1fr)_auto] items-start gap-x-3 data-row:items-center"
	data-row={row || undefined}
	method="POST"
	use:enhance
	novalidate
>
	<Field
		bind:ref={field}
		{label}
		{row}
		{placeholder}
		{maxlength}
		size={row ? 9 : undefined}
		name="line"
		bind:value={$form.line}
		wrong={$errors.line}
		onchange={() => {
			if (eager && $form.line.trim()) submit();
		}}
	/>
	{#if action}<Button class="mt-5" type="submit">{action}</Button>{/if}
	{@render after?.()}
</form>
