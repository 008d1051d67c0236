<script lang="ts">
	import type { NeckCoverage } from '$lib/state/neck-coverage.svelte';
	import { useTune } from '$lib/state/open-tune.svelte';
	import { RadioGroup } from 'bits-ui';

	/** Every place of the neck, best first, with what speaks for it; choosing one moves the hand. */
	let { coverage }: { coverage: NeckCoverage } = $props();
	const open = useTune();
	const order = $derived([...coverage.ranked].sort((a, b) => a.rank - b.rank));
</script>

{#if order.length === 0}<p class="py-3 text-second">The places are being weighed.</p>{/if}
<RadioGroup.Root
	value={String(open.position)}
	onValueChange={(position) => open.moveTo(Number(position))}
	aria-label="Places, best first"
	class="p-1"
>
	{#each order as { position, rank, score, reasons } (position)}
		<RadioGroup.Item
			value={String(position)}
			class="grid min-h-7.5 w-full grid-cols-[24px_26px_56px_minmax(0,1fr)] items-center gap-2 border-b border-hair p-1 text-left text-reason leading-tight hover:bg-lit data-[state=checked]:bg-ink data-[state=checked]:text-paper max-desk:min-h-10"
			aria-label="{rank}: position {position}. {reasons.join(', ')}"
		>
			<span class="text-right font-mono">{rank}</span>
			<b class="font-display text-head font-extrabold">{position}</b>
			<span class="h-2.25 bg-density-1 in-data-[state=checked]:bg-density-4"
				><i
					class="block h-full bg-density-4 in-data-[state=checked]:bg-density-2"
					style="width:{100 * score}%"
				></i></span
			>
			<span>{reasons.join(' · ')}</span>
		</RadioGroup.Item>
	{/each}
</RadioGroup.Root>
