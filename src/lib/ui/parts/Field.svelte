<script lang="ts">
	import { field } from './field';
	import type { HTMLInputAttributes } from 'svelte/elements';

	/** A labelled input with what is wrong with it underneath. */
	type Props = Omit<HTMLInputAttributes, 'value'> & {
		label: string;
		value: string | number | null;
		wrong?: string;
	};
	let { label, value = $bindable(), wrong = '', ...rest }: Props = $props();
	const id = $props.id();
	const look = field();
</script>

<div class="min-w-0">
	<label class={look.label()}
		>{label}
		<input
			class={look.control()}
			bind:value
			autocomplete="off"
			spellcheck="false"
			aria-invalid={wrong !== ''}
			aria-describedby={id}
			{...rest}
		/></label
	>
	<p {id} class={look.wrong()} role="alert">{wrong}</p>
</div>
