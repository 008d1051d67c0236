<script lang="ts">
	import { tick } from 'svelte';

	/** A note of one's own on a take, written in place: Enter keeps it, Escape leaves it as it was. */
	type Props = {
		note: string;
		onwrite: (note: string) => void;
		editing?: boolean;
		/** The focus stays on the note afterwards; else it goes back to the page, for its keys. */
		stays?: boolean;
	};
	let { note, onwrite, editing = $bindable(false), stays = false }: Props = $props();
	let opener: HTMLButtonElement | undefined = $state();

	function keep(text: string): void {
		if (!editing) return;
		editing = false;
		if (text !== note) onwrite(text);
	}
	async function refocus(): Promise<void> {
		if (!stays) return;
		await tick();
		opener?.focus();
	}
</script>

{#if editing}
	<!-- svelte-ignore a11y_autofocus -->
	<input
		class="h-6.25 w-full min-w-35 border-[1.5px] border-ink bg-paper px-1.5 text-reason"
		aria-label="Note of the take"
		value={note}
		maxlength="500"
		autofocus
		onblur={(event) => keep(event.currentTarget.value)}
		onkeydown={(event) => {
			if (event.key !== 'Enter' && event.key !== 'Escape') return;
			// Else the same key would press the button that the focus goes back to.
			event.preventDefault();
			if (event.key === 'Enter') keep(event.currentTarget.value);
			editing = false;
			void refocus();
		}}
	/>
{:else}
	<button
		class="block max-w-full truncate text-left text-reason text-second hover:underline hover:underline-offset-4"
		bind:this={opener}
		type="button"
		onclick={() => (editing = true)}
		>{note || 'write'}<span class="sr-only">: note of this take</span></button
	>
{/if}
