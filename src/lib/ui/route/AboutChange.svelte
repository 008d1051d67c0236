<script lang="ts">
	import { tabs } from '$lib/ui/parts/tabs';
	import { Tabs } from 'bits-ui';
	import { useTune } from '$lib/state/open-tune.svelte';
	import type { RoutePlan } from '$lib/state/route-plan.svelte';
	import ArriveList from './ArriveList.svelte';
	import HereBox from './HereBox.svelte';

	/** The ways to arrive at the change that is looked at, and whether it rests and what scale it has. */
	let { plan }: { plan: RoutePlan } = $props();
	const open = useTune();
	let about = $state('arrive');
	const filled = $derived(plan.line.length > 0);
	const arrivals = $derived(plan.arrivalsAt(open.cursor));
	const taken = $derived(
		plan.arrivalKinds[plan.targets.findIndex((entry) => entry.change === open.cursor)] ?? null
	);
	const look = tabs({ size: 'large' });
</script>

<Tabs.Root bind:value={about}>
	<Tabs.List class={look.list()} aria-label="About this change">
		<Tabs.Trigger class={look.tab()} value="arrive">Arrive by</Tabs.Trigger>
		<Tabs.Trigger class={look.tab()} value="here">Rest and scale</Tabs.Trigger>
	</Tabs.List>
	<Tabs.Content value="arrive" data-part="arrive">
		{#if filled && arrivals.length > 0}
			<ArriveList
				options={arrivals}
				{taken}
				wished={plan.arriveWish(open.cursor)}
				onchoose={(approach) => plan.setArrival(open.cursor, approach)}
			/>
		{:else}
			<p class="py-2 text-reason text-second">
				No note leads here: {filled ? 'there is no room before it' : 'only landings are planned'}.
			</p>
		{/if}
	</Tabs.Content>
	<Tabs.Content value="here"
		>{#if about === 'here'}<HereBox {plan} />{/if}</Tabs.Content
	>
</Tabs.Root>
