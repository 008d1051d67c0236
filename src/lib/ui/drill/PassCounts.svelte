<script lang="ts">
	import type { Result, TakeSummary } from '$core/practice';
	import { RESULT_WORDS } from './drill-words';
	import ResultMark from './ResultMark.svelte';

	/** How many changes landed, were held, came early or late, were missed or silent. */
	let { counts }: { counts: TakeSummary['counts'] } = $props();
	const ALL: readonly Exclude<Result, 'passed'>[] = [
		'landed',
		'held',
		'leaning',
		'early',
		'late',
		'missed',
		'silent'
	];
	/** Leaning is told where a drill tells it. */
	const rows = $derived(ALL.filter((result) => result !== 'leaning' || counts.leaning > 0));
</script>

<table class="w-full border-collapse">
	<thead class="sr-only"
		><tr class="border-b border-hair"
			><th class="flex h-8.5 items-center gap-1.5 text-left font-normal">Result</th><th
				class="flex h-8.5 items-center gap-1.5 text-left font-normal">Changes</th
			></tr
		></thead
	>
	<tbody>
		{#each rows as result (result)}
			<tr class="border-b border-hair" data-none={counts[result] === 0 || undefined}>
				<th class="flex h-8.5 items-center gap-1.5 text-left font-normal" scope="row">
					<svg viewBox="-32 -16 64 32" width="60" height="30" aria-hidden="true">
						<ResultMark
							role="3"
							{result}
							r={9}
							shift={result === 'early' ? -8 : result === 'late' ? 13 : 0}
						/>
					</svg>
					<span
						>{RESULT_WORDS[result][0]}
						<small class="text-count text-second">{RESULT_WORDS[result][1]}</small></span
					>
				</th>
				<td
					class="text-right font-display text-head font-extrabold in-data-none:font-semibold in-data-none:text-third"
					>{counts[result]}</td
				>
			</tr>
		{/each}
	</tbody>
</table>
