<script lang="ts">
	import { page } from '$app/state';
	import { bringIn } from '$lib/state/bring-in.svelte';
	import { onMount } from 'svelte';

	/** A file may be dropped anywhere: the page says so while one is held over it. */
	let over = $state(false);
	const holdsFiles = (event: DragEvent) => event.dataTransfer?.types.includes('Files') ?? false;

	onMount(() => {
		/** The pointer goes in and out of every element on its way. */
		let depth = 0;
		const enter = (event: DragEvent) => {
			if (!holdsFiles(event)) return;
			depth += 1;
			over = true;
		};
		const leave = (event: DragEvent) => {
			if (!holdsFiles(event)) return;
			depth = Math.max(0, depth - 1);
			over = depth > 0;
		};
		const hold = (event: DragEvent) => {
			if (!holdsFiles(event)) return;
			event.preventDefault();
			if (event.dataTransfer) event.dataTransfer.dropEffect = 'copy';
		};
		const drop = (event: DragEvent) => {
			if (!holdsFiles(event)) return;
			event.preventDefault();
			event.stopPropagation();
			depth = 0;
			over = false;
			void bringIn.add(event.dataTransfer?.files ?? [], page.params.id ?? null);
		};
		const all = { capture: true };
		addEventListener('dragenter', enter, all);
		addEventListener('dragleave', leave, all);
		addEventListener('dragover', hold, all);
		addEventListener('drop', drop, all);
		return () => {
			removeEventListener('dragenter', enter, all);
			removeEventListener('dragleave', leave, all);
			removeEventListener('dragover', hold, all);
			removeEventListener('drop', drop, all);
		};
	});
</script>

{#if over}
	<div class="over" aria-hidden="true">
		<p>Drop it here</p>
		<small>MusicXML, MIDI, ChordPro, chart text, tab, a document or a backup of Arc Step</small>
	</div>
{/if}
{#if bringIn.shown}
	{#await import('./BringInDialog.svelte') then { default: BringInDialog }}
		<BringInDialog files={bringIn} />
	{/await}
{/if}
{#if bringIn.backup}
	{#await import('./RestoreDialog.svelte') then { default: RestoreDialog }}
		<RestoreDialog files={bringIn} />
	{/await}
{/if}

<style>
	.over {
		position: fixed;
		inset: 12px;
		z-index: 60;
		display: flex;
		flex-direction: column;
		align-items: center;
		justify-content: center;
		gap: 8px;
		padding: 24px;
		text-align: center;
		border: 4px dashed var(--ink);
		background: color-mix(in srgb, var(--lit) 92%, transparent);
		pointer-events: none;
	}
	p {
		font-family: var(--font-display);
		font-weight: 800;
		font-size: 46px;
	}
	small {
		font-size: 18px;
		color: var(--second);
	}
</style>
