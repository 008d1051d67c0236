<script lang="ts">
	import { proseSigns } from '$core/chord';
	import type { InstrumentAnswer } from '$lib/api/notebook-schema';
	import type { PlayerStore } from '$lib/state/player-setup.svelte';
	import InstrumentForm from './InstrumentForm.svelte';

	/** The player's own instruments; each serves every tune in its tuning. */
	let { store }: { store: PlayerStore } = $props();
	/** The id that is edited, `new`, or nothing. */
	let editing = $state('');
	const says = ({ tuning, frets, scaleLengthMm, leftHanded }: InstrumentAnswer) =>
		`${proseSigns(tuning)} · ${frets} frets · ${scaleLengthMm} mm${leftHanded ? ' · left-handed' : ''}`;
</script>

<section id="instruments">
	<div class="section-head">
		<h2>Own instruments</h2>
		<small>each serves every tune in its tuning</small>
	</div>
	<ul>
		{#each store.instruments as entry (entry.id)}
			<li>
				{#if editing === entry.id}
					<InstrumentForm
						start={entry}
						onsave={async (record) => {
							const done = await store.changeInstrument(entry, record);
							if (done) editing = '';
							return done;
						}}
						oncancel={() => (editing = '')}
					/>
				{:else}
					<div class="row">
						<b>{entry.name}</b>
						<span>{says(entry)}</span>
						<button
							class="quiet"
							type="button"
							aria-label="Change {entry.name}"
							onclick={() => (editing = entry.id)}>Change</button
						>
						<button
							class="quiet"
							type="button"
							aria-label="Delete {entry.name}"
							onclick={() => void store.removeInstrument(entry)}>Delete</button
						>
					</div>
				{/if}
			</li>
		{/each}
	</ul>
	{#if editing === 'new'}
		<InstrumentForm
			start={null}
			onsave={async (record) => {
				const done = await store.addInstrument(record);
				if (done) editing = '';
				return done;
			}}
			oncancel={() => (editing = '')}
		/>
	{:else}
		<button class="act add" type="button" onclick={() => (editing = 'new')}
			>Add an instrument</button
		>
	{/if}
</section>

<style>
	section {
		scroll-margin-top: 72px;
	}
	.row {
		display: grid;
		grid-template-columns: 190px 1fr auto auto;
		align-items: center;
		gap: 16px;
		min-height: 46px;
		border-bottom: 1px solid var(--hair);
	}
	.row span {
		color: var(--second);
	}
	b {
		overflow-wrap: anywhere;
	}
	.add {
		margin-top: 12px;
	}
	@media (max-width: 640px) {
		.row {
			grid-template-columns: 1fr auto auto;
			gap: 4px 16px;
			padding: 8px 0;
		}
		.row span {
			grid-row: 2;
			grid-column: 1 / -1;
		}
	}
</style>
