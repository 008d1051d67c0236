<script lang="ts">
	import { fetched } from '$lib/state/fetched';
	import PanelHead from '$lib/ui/parts/PanelHead.svelte';
	import Button from '$lib/ui/parts/Button.svelte';
	import type { SoundCheck } from '$lib/audio/sound-check';

	/** The band's own clock, measured on this machine: it renders the click and looks where it falls. */
	let working = $state(false);
	let found: SoundCheck | null = $state.raw(null);
	let trouble = $state('');

	async function check(): Promise<void> {
		working = true;
		trouble = '';
		try {
			const { checkSound } = await fetched(() => import('$lib/audio/sound-check'));
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
	<PanelHead title="Timing of the band" note="renders the click and measures where it falls" />
	<p class="flex flex-wrap gap-3 pt-3 pb-1.5">
		<Button disabled={working} onclick={() => void check()}
			>{working ? 'Measuring …' : 'Measure the timing'}</Button
		>
	</p>
	{#if found}
		<table class="w-full max-w-105 border-collapse" data-onsets={found.onsets}>
			<caption class="sr-only">Measured over {found.onsets} clicks</caption>
			<tbody>
				{#each rows as row (row.id)}
					<tr
						><th class="border-b border-hair py-1 text-left font-normal" scope="row">{row.name}</th
						><td
							class="border-b border-hair py-1 text-right font-mono font-bold"
							data-figure={row.id}>{row.value}</td
						></tr
					>
				{/each}
			</tbody>
		</table>
	{/if}
	<p role="status" class="text-reason font-bold empty:hidden">{trouble}</p>
</section>
