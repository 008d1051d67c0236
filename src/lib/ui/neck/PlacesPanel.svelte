<script lang="ts">
	import type { NeckCoverage } from '$lib/state/neck-coverage.svelte';
	import { useTune } from '$lib/state/open-tune.svelte';
	import { RadioGroup } from 'bits-ui';

	/** Every place of the neck, best first, with what speaks for it; choosing one moves the hand. */
	let { coverage }: { coverage: NeckCoverage } = $props();
	const open = useTune();
	const order = $derived([...coverage.ranked].sort((a, b) => a.rank - b.rank));
</script>

{#if order.length === 0}<p class="empty">The places are being weighed.</p>{/if}
<RadioGroup.Root
	value={String(open.position)}
	onValueChange={(position) => open.moveTo(Number(position))}
	aria-label="Places, best first"
	class="ranked"
>
	{#each order as { position, rank, score, reasons } (position)}
		<RadioGroup.Item
			value={String(position)}
			class="ranked-row"
			aria-label="{rank}: position {position}. {reasons.join(', ')}"
		>
			<span class="rank">{rank}</span>
			<b>{position}</b>
			<span class="bar"><i style="width:{100 * score}%"></i></span>
			<span class="why">{reasons.join(' · ')}</span>
		</RadioGroup.Item>
	{/each}
</RadioGroup.Root>

<style>
	:global(.ranked) {
		max-height: 168px;
		overflow-y: auto;
		scrollbar-width: thin;
		scrollbar-color: var(--strong) transparent;
		padding: 3px;
	}
	:global(.ranked-row) {
		display: grid;
		grid-template-columns: 24px 26px 56px minmax(0, 1fr);
		align-items: center;
		gap: 8px;
		width: 100%;
		min-height: 30px;
		padding: 3px 4px;
		text-align: left;
		font-size: 13px;
		line-height: 1.2;
		border-bottom: 1px solid var(--hair);
	}
	:global(.ranked-row:hover) {
		background: var(--lit);
	}
	:global(.ranked-row[data-state='checked']) {
		background: var(--ink);
		color: var(--paper);
	}
	.rank {
		font-family: var(--font-mono);
		text-align: right;
	}
	b {
		font-family: var(--font-display);
		font-weight: 800;
		font-size: 17px;
	}
	.bar {
		height: 9px;
		background: var(--density-1);
	}
	.bar i {
		display: block;
		height: 100%;
		background: var(--density-4);
	}
	:global([data-state='checked']) > .bar {
		background: var(--density-4);
	}
	:global([data-state='checked']) > .bar i {
		background: var(--density-2);
	}
	.empty {
		padding: 12px 0;
		color: var(--second);
	}
	@media (max-width: 1099px) {
		:global(.ranked) {
			max-height: none;
		}
		:global(.ranked-row) {
			min-height: 40px;
		}
	}
</style>
