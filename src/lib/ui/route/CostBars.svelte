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

<dl class="grid text-reason">
	{#each rows as { term, cost } (term)}
		<div class="flex justify-between gap-2">
			<dt>{TERM_WORDS[term]}</dt>
			<dd class="flex items-center gap-1.5 tabular-nums">
				<span class="h-2 bg-second" style="width:{(64 * cost) / top}px"></span>{cost.toFixed(1)}
			</dd>
		</div>
	{/each}
</dl>
