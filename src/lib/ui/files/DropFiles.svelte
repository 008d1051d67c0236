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
	<div
		class="pointer-events-none fixed inset-3 z-60 flex flex-col items-center justify-center gap-2 border-4 border-dashed border-ink bg-lit/92 p-6 text-center"
		aria-hidden="true"
	>
		<p class="font-display text-chord font-extrabold">Drop it here</p>
		<small class="text-head text-second"
			>MusicXML, MIDI, ChordPro, chart text, tab, a document or a backup of Arc Step</small
		>
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
