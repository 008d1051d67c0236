<script lang="ts">
	import { ROUTE } from '$lib/words/keys/route';
	import PanelHead from '$lib/ui/parts/PanelHead.svelte';
	import Button from '$lib/ui/parts/Button.svelte';
	import { signs } from '$core/chord';
	import type { PlanAnswer } from '$lib/api/plan-schema';
	import { useTune } from '$lib/state/open-tune.svelte';
	import { prefs } from '$lib/state/prefs.svelte';
	import type { RoutePlan } from '$lib/state/route-plan.svelte';
	import { onMount } from 'svelte';
	import KeyCap from '$lib/ui/parts/KeyCap.svelte';
	import { plural } from '$lib/words/words';
	import CostBars from './CostBars.svelte';

	/** Truly different plans for the same wishes, cheapest first, and what each costs by name. */
	let { plan, onclose }: { plan: RoutePlan; onclose: () => void } = $props();
	const open = useTune();
	let close: HTMLElement | null = $state(null);
	onMount(() => close?.focus());

	let plans: PlanAnswer['plans'] = $state.raw([]);
	let asked = $state(false);
	$effect(() => {
		const wanted = [plan.wishes, open.saved] as const;
		void plan.alternatives().then((found) => {
			if (wanted[0] !== plan.wishes || wanted[1] !== open.saved) return;
			plans = found;
			asked = true;
		});
	});
	/** The landings of a plan that are not as they stand now. */
	const others = (targets: PlanAnswer['plans'][number]['targets']) =>
		targets.filter((target) => {
			const now = plan.target(target.change);
			return now?.string !== target.string || now.fret !== target.fret;
		});
</script>

<section class="grid grid-cols-[minmax(0,1fr)] gap-2" aria-label="Other plans">
	<PanelHead title="Other plans">
		<Button bind:ref={close} look="quiet" onclick={onclose} aria-label="Back to the change"
			>Back <KeyCap of={ROUTE.plans} /></Button
		>
	</PanelHead>
	<p class="text-reason text-second">
		Each differs in a quarter of its landings at least. Taking one locks what is different.
	</p>
	<ul>
		{#each plans as other, i (i)}
			{@const changed = others(other.targets)}
			<li
				class="grid gap-1.5 border-b border-hair py-2.5 data-current:bg-next-tint data-current:px-3 data-current:py-2.5 data-current:shadow-[inset_6px_0_0_var(--next)]"
				data-current={changed.length === 0 || undefined}
			>
				<div class="flex justify-between">
					<b
						>{changed.length === 0
							? 'As it stands'
							: `${plural(changed.length, 'landing')} differ${changed.length === 1 ? 's' : ''}`}</b
					>
					<span class="tabular-nums">cost {other.cost.toFixed(1)}</span>
				</div>
				{#if changed.length > 0}
					<p class="flex flex-wrap gap-x-3 gap-y-0.5 text-reason">
						{#each changed.slice(0, 6) as target (target.change)}
							<span
								>bar {open.chart.changes[target.change]?.bar}
								<b>{prefs.name(target.name)}</b>
								{signs(target.role)}</span
							>
						{/each}
						{#if changed.length > 6}<span>and {changed.length - 6} more</span>{/if}
					</p>
				{/if}
				<CostBars costs={other.costs} />
				{#if changed.length > 0}
					<Button class="justify-self-start" onclick={() => plan.lockAll(changed)}
						>Take this plan</Button
					>
				{/if}
			</li>
		{:else}
			<li class="grid gap-1.5 border-b border-hair py-2.5 text-reason text-second">
				{asked ? 'There is nothing to compare yet: plan first.' : 'Searching …'}
			</li>
		{/each}
	</ul>
	{#if plans.length === 1}
		<p class="text-reason text-second">
			No other plan is truly different here: open some locks, or try another place or style.
		</p>
	{/if}
</section>
