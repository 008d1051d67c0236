<script lang="ts">
	import { field } from './field';
	import type { HTMLInputAttributes } from 'svelte/elements';

	/** A labelled input with what is wrong with it underneath. */
	type Props = Omit<HTMLInputAttributes, 'value'> & {
		label: string;
		value: string | number | null;
		/** What is wrong with it: one sentence, or those that a form tells. */
		wrong?: string | readonly string[] | undefined;
		/** The words stand before it. */
		row?: boolean;
		ref?: HTMLInputElement | undefined;
	};
	let {
		label,
		value = $bindable(),
		wrong = '',
		row = false,
		ref = $bindable(undefined),
		...rest
	}: Props = $props();
	const told = $derived(typeof wrong === 'string' ? wrong : (wrong[0] ?? ''));
	const id = $props.id();
	const look = $derived(field({ row }));
</script>

<div class="min-w-0">
	<label class={look.label()}
		>{label}
		<input
			bind:this={ref}
			class={look.control()}
			bind:value
			autocomplete="off"
			spellcheck="false"
			aria-invalid={told !== ''}
			aria-describedby={id}
			{...rest}
		/></label
	>
	<p {id} class={look.wrong()} role="alert">{told}</p>
</div>
