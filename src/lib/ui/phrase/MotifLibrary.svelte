<script lang="ts">
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
	<div class="section-head">
		<h2>Library</h2>
		<small>{plural(desk.shelf.motifs.length, 'motif')}, kept as steps and time</small>
	</div>
	<ul>
		{#each desk.shelf.motifs as motif (motif.id)}
			<li class:on={desk.shelf.from?.id === motif.id}>
				<button
					type="button"
					class="motif"
					aria-pressed={desk.shelf.from?.id === motif.id}
					onclick={() => desk.choose(motif)}
				>
					<span class="words"><b>{motif.name}</b><small>{steps(motif)}</small></span>
					<MotifGlyph motif={motif.motif} width={150} height={40} />
				</button>
				{#if desk.shelf.from?.id === motif.id}
					<button type="button" class="quiet drop" onclick={() => void remove(motif)}
						>Delete<span class="sr"> {motif.name}</span></button
					>
				{/if}
			</li>
		{:else}
			<li class="none">Nothing stored yet: shape a motif and store it.</li>
		{/each}
	</ul>
</section>

<style>
	li {
		border-bottom: 1px solid var(--hair);
		border-left: 4px solid transparent;
		display: flex;
		flex-wrap: wrap;
		justify-content: end;
	}
	li.on {
		border-left-color: var(--ink);
		background: var(--lit);
	}
	.motif {
		display: flex;
		justify-content: space-between;
		align-items: center;
		gap: 8px;
		width: 100%;
		padding: 3px 0 3px 10px;
		text-align: left;
	}
	.words {
		display: grid;
		min-width: 0;
	}
	b {
		font-family: var(--font-display);
		font-weight: 800;
		font-size: 16px;
		line-height: 1.15;
	}
	.words small {
		font-family: var(--font-mono);
		font-size: 12px;
		color: var(--second);
	}
	.drop {
		font-size: 13px;
		padding-right: 8px;
	}
	.none {
		padding: 10px 0;
		color: var(--second);
		justify-content: start;
	}
</style>
