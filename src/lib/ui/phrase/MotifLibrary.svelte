<script lang="ts">
	import PanelHead from '$lib/ui/parts/PanelHead.svelte';
	import Button from '$lib/ui/parts/Button.svelte';
	import { proseSigns } from '$core/chord';
	import type { MotifAnswer } from '$lib/api/notebook-schema';
	import { offeringBack } from '$lib/state/deletion';
	import type { PhraseDesk } from '$lib/state/phrase-desk.svelte';
	import { plural } from '$lib/words/words';
	import MotifGlyph from './MotifGlyph.svelte';

	/** The stored motifs; one click lays one on the desk. */
	let { desk }: { desk: PhraseDesk } = $props();

	const steps = (motif: MotifAnswer) =>
		motif.motif.notes.map((note) => proseSigns(String(note.step))).join(' ');
	const remove = (motif: MotifAnswer) =>
		offeringBack(
			`“${motif.name}” is deleted.`,
			() => desk.shelf.remove(motif),
			() => desk.shelf.bringBack(motif)
		);
</script>

<section>
	<PanelHead
		title="Library"
		note="{plural(desk.shelf.motifs.length, 'motif')}, kept as steps and time"
	/>
	<ul>
		{#each desk.shelf.motifs as motif (motif.id)}
			<li
				class="flex flex-wrap justify-end border-b border-l-4 border-b-hair border-l-transparent data-on:border-l-ink data-on:bg-lit"
				data-on={desk.shelf.from?.id === motif.id || undefined}
			>
				<button
					type="button"
					class="flex w-full items-center justify-between gap-2 py-1 pl-2.5 text-left"
					aria-pressed={desk.shelf.from?.id === motif.id}
					onclick={() => desk.choose(motif)}
				>
					<span class="grid min-w-0"
						><b class="font-display text-line leading-tight font-extrabold">{motif.name}</b><small
							class="font-mono text-count text-second">{steps(motif)}</small
						></span
					>
					<MotifGlyph motif={motif.motif} width={150} height={40} />
				</button>
				{#if desk.shelf.from?.id === motif.id}
					<Button look="quiet" size="small" class="pr-2" onclick={() => void remove(motif)}
						>Delete<span class="sr-only"> {motif.name}</span></Button
					>
				{/if}
			</li>
		{:else}
			<li
				class="flex flex-wrap justify-start border-b border-l-4 border-b-hair border-l-transparent py-2.5 text-second"
			>
				Nothing stored yet: shape a motif and store it.
			</li>
		{/each}
	</ul>
</section>
