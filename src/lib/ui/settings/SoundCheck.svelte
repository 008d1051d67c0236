<script lang="ts">
	import type { SoundCheck } from '$lib/audio/sound-check';

	/** The band's own clock, measured on this machine: it renders the click and looks where it falls. */
	let working = $state(false);
	let found: SoundCheck | null = $state.raw(null);
	let trouble = $state('');

	async function check(): Promise<void> {
		working = true;
		trouble = '';
		try {
			const { checkSound } = await import('$lib/audio/sound-check');
			found = await checkSound();
		} catch {
			trouble = 'The check did not run: this browser gives no sound, or the sounds did not load.';
		} finally {
			working = false;
		}
	}
	const ms = (value: number) => `${Math.abs(value).toFixed(3)} ms`;
	const rows = $derived.by(() =>
		found
			? [
					{ id: 'largest', name: 'Farthest from the beat', value: ms(found.largestMs) },
					{ id: 'drift', name: 'Drift after five minutes', value: ms(found.driftMs) },
					{ id: 'seam', name: 'At the seam of a loop', value: ms(found.seamMs) },
					{ id: 'tempo', name: 'After a change of tempo', value: ms(found.tempoMs) },
					{
						id: 'swing',
						name: `Swing of ${found.swingAsked} %`,
						value: `${found.swingHeard.toFixed(3)} %`
					}
				]
			: []
	);
</script>

<section>
	<div class="section-head">
		<h2>Timing of the band</h2>
		<small>renders the click and measures where it falls</small>
	</div>
	<p class="acts">
		<button type="button" class="act" disabled={working} onclick={() => void check()}
			>{working ? 'Measuring …' : 'Measure the timing'}</button
		>
	</p>
	{#if found}
		<table data-onsets={found.onsets}>
			<caption class="sr">Measured over {found.onsets} clicks</caption>
			<tbody>
				{#each rows as row (row.id)}
					<tr><th scope="row">{row.name}</th><td data-figure={row.id}>{row.value}</td></tr>
				{/each}
			</tbody>
		</table>
	{/if}
	<p role="status" class="wrong">{trouble}</p>
</section>

<style>
	.acts {
		display: flex;
		flex-wrap: wrap;
		gap: 12px;
		padding: 12px 0 6px;
	}
	table {
		border-collapse: collapse;
		width: 100%;
		max-width: 420px;
	}
	th {
		text-align: left;
		font-weight: 400;
	}
	td {
		text-align: right;
		font-family: var(--font-mono);
		font-weight: 700;
	}
	th,
	td {
		padding: 5px 0;
		border-bottom: 1px solid var(--hair);
	}
</style>
