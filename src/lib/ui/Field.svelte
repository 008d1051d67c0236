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

<div class="field">
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
	<p {id} class="wrong" role="alert">{wrong}</p>
</div>

<style>
	.field {
		min-width: 0;
	}
	.wrong {
		padding-top: 3px;
	}
</style>
