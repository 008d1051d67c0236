<script lang="ts">
	import { bringIn } from '$lib/state/bring-in.svelte';
	import Button from '$lib/ui/parts/Button.svelte';
	import type { ButtonLook } from '$lib/ui/parts/button';
	import type { Snippet } from 'svelte';

	/** A button that lets the player choose files to bring in. */
	type Props = {
		/** The tune that a line without chords goes onto. */
		tuneId?: string | null;
		/** Endings that are offered; by default all that are read. */
		accept?: string;
		look?: ButtonLook['look'];
		children: Snippet;
	};
	const ALL = '.musicxml,.xml,.mxl,.mid,.midi,.cho,.chordpro,.chopro,.crd,.pro,.txt,.tab,.json,.gz';
	let { tuneId = null, accept = ALL, look = 'quiet', children }: Props = $props();
	let input: HTMLInputElement;

	/** Opens the chooser, as the button does. */
	export function choose(): void {
		input.click();
	}
</script>

<Button {look} onclick={choose}>{@render children()}</Button>
<input
	bind:this={input}
	type="file"
	multiple
	hidden
	{accept}
	onchange={() => {
		void bringIn.add(input.files ?? [], tuneId);
		input.value = '';
	}}
/>
