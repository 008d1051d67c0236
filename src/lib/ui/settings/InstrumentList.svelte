<script lang="ts">
	import PanelHead from '$lib/ui/parts/PanelHead.svelte';
	import Button from '$lib/ui/parts/Button.svelte';
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

<section class="@container [scroll-margin-top:72px]" id="instruments">
	<PanelHead title="Own instruments" note="each serves every tune in its tuning" />
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
					<div
						class="grid min-h-11.5 grid-cols-[190px_1fr_auto_auto] items-center gap-4 border-b border-hair @max-[34rem]:grid-cols-[1fr_auto_auto] @max-[34rem]:gap-x-4 @max-[34rem]:gap-y-1 @max-[34rem]:px-0 @max-[34rem]:py-2"
					>
						<b class="wrap-anywhere">{entry.name}</b>
						<span class="text-second @max-[34rem]:col-span-full @max-[34rem]:row-start-2"
							>{says(entry)}</span
						>
						<Button
							look="quiet"
							aria-label="Change {entry.name}"
							onclick={() => (editing = entry.id)}>Change</Button
						>
						<Button
							look="quiet"
							aria-label="Delete {entry.name}"
							onclick={() => void store.removeInstrument(entry)}>Delete</Button
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
		<Button class="mt-3" onclick={() => (editing = 'new')}>Add an instrument</Button>
	{/if}
</section>
