<script lang="ts">
	import { fetched } from '$lib/state/fetched';
	import type { RouteSummary } from '$lib/api/notebook-schema';
	import type { RoutePlan } from '$lib/state/route-plan.svelte';
	import { STYLE_NAMES } from '$lib/words/styles';
	import type { RouteKeeping } from './route-keeping.svelte';

	interface Props {
		plan: RoutePlan;
		keeping: RouteKeeping;
		routes: readonly RouteSummary[];
		writing: boolean;
		comparing: boolean;
		onwrite: () => void;
		onclear: () => void;
	}
	/** The dialogs of the Route screen, each fetched when it is asked for. */
	let {
		plan,
		keeping,
		routes,
		writing = $bindable(),
		comparing = $bindable(),
		onwrite,
		onclear
	}: Props = $props();
	const { anchors } = $derived(plan.wishes);
</script>

{#if writing}
	{#await fetched(() => import('./WriteDialog.svelte')) then Dialog}
		<Dialog.default bind:shown={writing} {plan} {onwrite} {onclear} />
	{/await}
{/if}
{#if comparing}
	{#await fetched(() => import('./CompareDialog.svelte')) then Dialog}
		<Dialog.default bind:shown={comparing} {plan} {routes} />
	{/await}
{/if}
{#if keeping.asking}
	{#await fetched(() => import('../ConflictDialog.svelte')) then Dialog}
		<Dialog.default
			bind:open={keeping.asking}
			what="route"
			mine={`${plan.name}\n${anchors.locks.length} locked, ${anchors.letPass.length} let pass`}
			theirs={plan.conflict
				? `${plan.conflict.name}\n${STYLE_NAMES[plan.conflict.style].name}\n${plan.conflict.anchors.locks.length} locked, ${plan.conflict.anchors.letPass.length} let pass`
				: ''}
			onkeep={() => void keeping.saveMine()}
			ontake={() => keeping.takeTheirs()}
		/>
	{/await}
{/if}
