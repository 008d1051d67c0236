<script lang="ts">
	import Table from '$lib/ui/parts/Table.svelte';
	import PanelHead from '$lib/ui/parts/PanelHead.svelte';
	import { proseSigns } from '$core/chord';
	import type { Log } from '$lib/api/log-page';
	import Chart from './Chart.svelte';
	import {
		heatFields,
		heatOption,
		kindName,
		landingOption,
		tempoOption,
		weekName
	} from './log-options';

	/** Landing rate over time, place by kind of chord, tempo reached by tune; each as a chart or a table. */
	let { log, tables }: { log: Log; tables: boolean } = $props();
	const heat = $derived(heatFields(log));
	const percent = (share: number | null) => (share === null ? '–' : `${Math.round(100 * share)} %`);
</script>

<div
	data-part="three"
	class="grid grid-cols-[minmax(0,1fr)_minmax(0,1fr)_minmax(0,1fr)] gap-6 max-desk:grid-cols-[minmax(0,1fr)_minmax(0,1fr)] max-tablet:grid-cols-[minmax(0,1fr)]"
>
	<section class="min-w-0 max-desk:last:col-span-full">
		<PanelHead title="Landing rate" note="% of changes, by week" />
		{#if tables}
			<Table>
				<thead
					><tr
						><th>Week of</th>{#each log.series as one (one.name)}<th>{proseSigns(one.name)}</th
							>{/each}</tr
					></thead
				>
				<tbody>
					{#each log.weeks as week, i (week.begins)}
						<tr
							><td>{weekName(week)}</td>{#each log.series as one (one.name)}<td
									>{percent(one.shares[i])}</td
								>{/each}</tr
						>
					{/each}
				</tbody>
			</Table>
		{:else}
			<Chart
				option={(inks) => landingOption(log, inks)}
				height={196}
				label="Landing rate by week: {log.weeks
					.map((week) => `${weekName(week)} ${percent(week.share)}`)
					.join(', ')}"
			/>
		{/if}
	</section>
	<section class="min-w-0 max-desk:last:col-span-full">
		<PanelHead title="Place by chord kind" note="% landed" />
		{#if tables}
			<Table>
				<thead
					><tr
						><th>Chord</th>{#each heat.places as place (place)}<th>{place}</th>{/each}</tr
					></thead
				>
				<tbody>
					{#each heat.kinds as kind (kind)}
						<tr
							><td>{kindName(kind)}</td>{#each heat.places as place (place)}
								{@const field = heat.fields.find(
									(one) => one.kind === kind && one.position === place
								)}<td>{field ? Math.round(100 * field.share) : '–'}</td>{/each}</tr
						>
					{/each}
				</tbody>
			</Table>
		{:else}
			<Chart
				option={(inks) => heatOption(log, inks)}
				height={196}
				label="Share that lands by place and kind of chord: {heat.fields
					.map((one) => `position ${one.position}, ${kindName(one.kind)} ${percent(one.share)}`)
					.join('; ')}"
			/>
		{/if}
	</section>
	<section class="min-w-0 max-desk:last:col-span-full">
		<PanelHead title="Tempo, clean" note="bar reached, dots aimed at" />
		{#if tables}
			<Table>
				<thead><tr><th>Tune</th><th>Clean</th><th>Aim</th></tr></thead>
				<tbody>
					{#each log.tempos as one (one.id)}
						<tr><td>{one.title}</td><td>{one.clean ?? '–'}</td><td>{one.aim}</td></tr>
					{/each}
				</tbody>
			</Table>
		{:else}
			<Chart
				option={(inks) => tempoOption(log, inks)}
				height={196}
				label="Fastest clean tempo of each tune: {log.tempos
					.map((one) => `${one.title} ${one.clean ?? 'none'} of ${one.aim}`)
					.join(', ')}"
			/>
		{/if}
	</section>
</div>
