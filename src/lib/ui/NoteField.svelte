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
	<button bind:this={opener} type="button" onclick={() => (editing = true)}
		>{note || 'write'}<span class="sr">: note of this take</span></button
	>
{/if}

<style>
	input {
		width: 100%;
		min-width: 140px;
		height: 25px;
		border: 1.5px solid var(--ink);
		background: var(--paper);
		padding: 0 6px;
		font-size: 13px;
	}
	button {
		display: block;
		max-width: 100%;
		overflow: hidden;
		text-overflow: ellipsis;
		white-space: nowrap;
		text-align: left;
		font-size: 13px;
		color: var(--second);
	}
	button:hover {
		text-decoration: underline;
		text-underline-offset: 3px;
	}
</style>
