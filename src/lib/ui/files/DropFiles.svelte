<script lang="ts">
	import { page } from '$app/state';
	import { bringIn } from '$lib/state/bring-in.svelte';
	import { dropping } from '$lib/state/dropping.svelte';
	import { fetched } from '$lib/state/fetched';
	import { untrack } from 'svelte';

	/** A file may be dropped anywhere: the page says so while one is held over it, and reads it. */
	$effect(() => {
		if (dropping.dropped.length === 0) return;
		untrack(() => void bringIn.add(dropping.take(), page.params.id ?? null));
	});
</script>

{#if dropping.over}
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
	{#await fetched(() => import('./BringInDialog.svelte')) then { default: BringInDialog }}
		<BringInDialog files={bringIn} />
	{/await}
{/if}
{#if bringIn.backup}
	{#await fetched(() => import('./RestoreDialog.svelte')) then { default: RestoreDialog }}
		<RestoreDialog files={bringIn} />
	{/await}
{/if}
