<script lang="ts">
	import type { PlanAnswer } from '$lib/api/plan-schema';
	import { TERM_WORDS } from './line-words';

	/** The dearest parts of a plan's cost, by name. */
	type Props = { costs: PlanAnswer['plans'][number]['costs']; most?: number };
	let { costs, most = 4 }: Props = $props();
	const rows = $derived(
		Object.entries(costs)
			.map(([term, cost]) => ({ term: term as keyof typeof TERM_WORDS, cost }))
			.filter(({ cost }) => cost > 0)
			.sort((a, b) => b.cost - a.cost)
			.slice(0, most)
	);
	const top = $derived(rows[0]?.cost ?? 1);
</script>

<dl>
	{#each rows as { term, cost } (term)}
		<div>
			<dt>{TERM_WORDS[term]}</dt>
			<dd><span style="width:{(64 * cost) / top}px"></span>{cost.toFixed(1)}</dd>
		</div>
	{/each}
</dl>

<style>
	dl {
		display: grid;
		font-size: 13px;
	}
	div {
		display: flex;
		justify-content: space-between;
		gap: 8px;
	}
	dd {
		display: flex;
		align-items: center;
		gap: 6px;
		font-variant-numeric: tabular-nums;
	}
	span {
		height: 8px;
		background: var(--second);
	}
</style>
