<script lang="ts">
	import type { Snippet } from 'svelte';
	import { field } from './field';

	/** Yes or no, beside the words it answers. */
	type Props = {
		checked: boolean;
		disabled?: boolean;
		onchange?: (checked: boolean) => void;
		children: Snippet;
	};
	let { checked = $bindable(), disabled = false, onchange, children }: Props = $props();
	const look = field();
</script>

<label class={look.check()}>
	<input
		class={look.box()}
		type="checkbox"
		bind:checked
		{disabled}
		onchange={(event) => onchange?.(event.currentTarget.checked)}
	/>
	<span>{@render children()}</span>
</label>
