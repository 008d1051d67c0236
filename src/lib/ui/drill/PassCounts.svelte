<script lang="ts">
	import type { Result, TakeSummary } from '$core/practice';
	import { RESULT_WORDS } from './drill-words';
	import ResultMark from './ResultMark.svelte';

	/** How many changes landed, were held, came early or late, were missed or silent. */
	let { counts }: { counts: TakeSummary['counts'] } = $props();
	const ROWS: readonly Exclude<Result, 'passed'>[] = [
		'landed',
		'held',
		'early',
		'late',
		'missed',
		'silent'
	];
</script>

<table>
	<thead class="sr"><tr><th>Result</th><th>Changes</th></tr></thead>
	<tbody>
		{#each ROWS as result (result)}
			<tr class:none={counts[result] === 0}>
				<th scope="row">
					<svg viewBox="-32 -16 64 32" width="60" height="30" aria-hidden="true">
						<ResultMark
							role="3"
							{result}
							r={9}
							shift={result === 'early' ? -8 : result === 'late' ? 13 : 0}
						/>
					</svg>
					<span>{RESULT_WORDS[result][0]} <small>{RESULT_WORDS[result][1]}</small></span>
				</th>
				<td>{counts[result]}</td>
			</tr>
		{/each}
	</tbody>
</table>

<style>
	table {
		width: 100%;
		border-collapse: collapse;
	}
	th {
		display: flex;
		align-items: center;
		gap: 6px;
		font-weight: 400;
		text-align: left;
		height: 34px;
	}
	tr {
		border-bottom: 1px solid var(--hair);
	}
	td {
		font-family: var(--font-display);
		font-weight: 800;
		font-size: 20px;
		text-align: right;
	}
	.none td {
		font-weight: 600;
		color: var(--third);
	}
	small {
		font-size: 12px;
		color: var(--second);
	}
</style>
