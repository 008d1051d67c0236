<script lang="ts">
	import Table from '$lib/ui/parts/Table.svelte';
	import PanelHead from '$lib/ui/parts/PanelHead.svelte';
	import type { Log } from '$lib/api/log-page';
	import Chart from './Chart.svelte';
	import { minutesOption, weekName } from './log-options';

	/** Minutes of every week, as a chart or a table. */
	let { log, tables }: { log: Log; tables: boolean } = $props();
	const said = $derived(
		log.weeks.map((week) => `${weekName(week)} ${Math.round(week.minutes)}`).join(', ')
	);
</script>

<PanelHead title="Minutes per week" />
{#if tables}
	<Table>
		<thead><tr><th>Week of</th><th>Minutes</th><th>Takes</th></tr></thead>
		<tbody>
			{#each log.weeks as week (week.begins)}
				<tr><td>{weekName(week)}</td><td>{Math.round(week.minutes)}</td><td>{week.takes}</td></tr>
			{/each}
		</tbody>
	</Table>
{:else}
	<Chart option={(inks) => minutesOption(log, inks)} height={170} label="Minutes by week: {said}" />
{/if}
