<script lang="ts">
	import type { Log } from '$lib/api/log-page';
	import Chart from './Chart.svelte';
	import { minutesOption, weekName } from './log-options';

	/** Minutes of every week, as a chart or a table. */
	let { log, tables }: { log: Log; tables: boolean } = $props();
	const said = $derived(
		log.weeks.map((week) => `${weekName(week)} ${Math.round(week.minutes)}`).join(', ')
	);
</script>

<div class="section-head"><h2>Minutes per week</h2></div>
{#if tables}
	<table class="data">
		<thead><tr><th>Week of</th><th>Minutes</th><th>Takes</th></tr></thead>
		<tbody>
			{#each log.weeks as week (week.begins)}
				<tr><td>{weekName(week)}</td><td>{Math.round(week.minutes)}</td><td>{week.takes}</td></tr>
			{/each}
		</tbody>
	</table>
{:else}
	<Chart option={(inks) => minutesOption(log, inks)} height={170} label="Minutes by week: {said}" />
{/if}
