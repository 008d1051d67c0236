<script lang="ts">
	import type { HTMLInputAttributes } from 'svelte/elements';

	/** A labelled input with what is wrong with it underneath. */
	type Props = Omit<HTMLInputAttributes, 'value'> & {
		label: string;
		value: string | number | null;
		wrong?: string;
	};
	let { label, value = $bindable(), wrong = '', ...rest }: Props = $props();
	const id = $props.id();
</script>

<div class="min-w-0">
	<label
		>{label}
		<input
			bind:value
			autocomplete="off"
			spellcheck="false"
			aria-invalid={wrong !== ''}
			aria-describedby={id}
			{...rest}
		/></label
	>
	<p {id} class="wrong pt-1" role="alert">{wrong}</p>
</div>
