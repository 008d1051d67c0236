<script lang="ts">
	import { fetched } from '$lib/state/fetched';
	import { ROUTE } from '$lib/words/keys/route';
	import Empty from '$lib/ui/parts/Empty.svelte';
	import PanelHead from '$lib/ui/parts/PanelHead.svelte';
	import Button from '$lib/ui/parts/Button.svelte';
	import { prefs } from '$lib/state/prefs.svelte';
	import type { LineSelection } from '$lib/state/line-selection.svelte';
	import { useTune } from '$lib/state/open-tune.svelte';
	import type { RoutePlan } from '$lib/state/route-plan.svelte';
	import { STYLE_NAMES } from '$lib/words/styles';
	import { fittingSize } from '$lib/draw/chord-width';
	import ChordSymbol from '../ChordSymbol.svelte';
	import KeyCap from '$lib/ui/parts/KeyCap.svelte';
	import Later from '../Later.svelte';
	import ToneLadder from '../ToneLadder.svelte';
	import type { RouteActions, Side } from './route-actions.svelte';
	import LandingList from './LandingList.svelte';
	import { lineWords } from './line-words';

	/** The selected change: its two chords, where it can land and why, lock, let pass, style. */
	type Props = {
		plan: RoutePlan;
		selection: LineSelection;
		actions: RouteActions;
		/** What stands in the inspector. */
		side: Side;
	};
	let { plan, selection, actions, side = $bindable() }: Props = $props();
	const open = useTune();
	/** Ways to arrive, how the route is made, and what can be done with the line. */
	const more = $derived(prefs.current.more);
	const target = $derived(plan.target(open.cursor));
	const filled = $derived(plan.line.length > 0);
	/** Both symbols fit beside the arc. */
	const size = $derived(
		Math.min(
			...[open.now, open.next].map((chord) =>
				chord ? fittingSize(chord, 124, [46, 38, 31, 26, 21]) : 46
			)
		)
	);
</script>

<Later>
	{#if side === 'making'}
		{#await fetched(() => import('./LinePanel.svelte')) then Panel}
			<Panel.default {plan} onclose={() => (side = 'change')} />
		{/await}
	{:else if side === 'bar'}
		{#await fetched(() => import('./BarPanel.svelte')) then Panel}
			<Panel.default {plan} onclose={() => (side = 'change')} />
		{/await}
	{:else if side === 'plans'}
		{#await fetched(() => import('./PlansPanel.svelte')) then Panel}
			<Panel.default {plan} onclose={() => (side = 'change')} />
		{/await}
	{:else if open.change}
		<section>
			<p data-part="where" class="text-line text-second">
				<strong class="mr-1.5 text-ink"
					>Change {open.cursor + 1} of {open.chart.changes.length}</strong
				>
				bar {open.change.bar}, beat {open.change.beat}{open.cursor === 0 ? ', back at the top' : ''}
			</p>
			<div
				class="mb-1.5 flex items-center justify-between border-b border-hair pt-3 pb-2.5 leading-none"
				style="font-size:{size}px"
			>
				{#if open.now}<span class="text-now-ink"><ChordSymbol chord={open.now} /></span>{/if}
				{#if open.now && open.next}
					<svg viewBox="0 0 44 20" width="44" height="20" aria-hidden="true"
						><path class="fill-none stroke-now-line stroke-[3.5]" d="M3,17Q22,-12 41,17" /></svg
					>
				{/if}
				{#if open.next}<span class="text-next-ink"><ChordSymbol chord={open.next} /></span>{/if}
			</div>
			{#if selection.size > 0}
				{#await fetched(() => import('./NoteBox.svelte')) then Box}
					<Box.default {plan} {selection} {actions} />
				{/await}
			{:else if open.now && open.next}
				<ToneLadder now={open.now} next={open.next} />
			{/if}
		</section>
		<section>
			<PanelHead title="Land on" note="choosing locks it" />
			{#if !plan.planned}
				<Empty>Plan first; then every place is listed here with its reasons.</Empty>
			{:else if plan.isLetPass(open.cursor)}
				<Empty>This change is let pass. Choose a place to land after all.</Empty>
			{:else if plan.isOwn(open.cursor)}
				{#await fetched(() => import('./LeanBox.svelte')) then Box}<Box.default {plan} />{/await}
				<Empty>Your own notes stand here. Choose a place to land there instead.</Empty>
			{/if}
			{#if plan.planned}
				<LandingList
					landings={actions.landings}
					few={filled ? 2 : 4}
					chosen={target}
					locked={plan.isLocked(open.cursor)}
					reasons={target?.reasons ?? []}
					onchoose={(landing) => actions.chooseLanding(landing)}
					onforbid={() => actions.forbid()}
				/>
			{/if}
		</section>
		{#if plan.planned && more}
			{#await fetched(() => import('./AboutChange.svelte')) then About}
				<About.default {plan} />
			{/await}
		{/if}
		<div
			class="sticky -bottom-4 mt-auto border-t-2 border-ink bg-paper pt-1.5 pb-3 max-desk:bottom-16 max-desk:col-span-full max-desk:m-0"
		>
			{#if more}
				<button
					type="button"
					data-part="made"
					class="flex min-h-8.5 w-full items-center justify-between gap-2 text-left leading-tight hover:bg-lit"
					onclick={() => (side = 'making')}
				>
					<span><b>{STYLE_NAMES[plan.wishes.style].name}</b>, {lineWords(plan.wishes.line)}</span>
					<KeyCap of={ROUTE.making} />
				</button>
			{/if}
			{#each plan.warnings.slice(0, 3) as warning, i (i)}<p
					class="py-2 text-reason text-second"
					role="status"
				>
					{prefs.prose(warning)}
				</p>{/each}
			<div class="flex flex-wrap justify-between gap-2 pt-1.5">
				<Button look="quiet" disabled={!target} onclick={() => plan.toggleLock(open.cursor)}
					>{plan.isLocked(open.cursor) ? 'Unlock' : 'Lock'} <KeyCap of={ROUTE.lock} /></Button
				>
				<Button look="quiet" onclick={() => plan.toggleLetPass(open.cursor)}
					>{plan.isLetPass(open.cursor) ? 'Land here' : 'Let it pass'}
					<KeyCap of={ROUTE.pass} /></Button
				>
				<Button look="quiet" disabled={!plan.planned} onclick={() => void actions.nextBest()}
					>Next best <KeyCap of={ROUTE.best} /></Button
				>
				{#if filled && more}
					<Button look="quiet" onclick={() => plan.toggleFrozen(open.cursor)}
						>{plan.isFrozen(open.cursor) ? 'Plan it' : 'Keep'}
						<KeyCap of={ROUTE.freeze} /></Button
					>
					<Button look="quiet" onclick={() => plan.anotherTake()}
						>Take <KeyCap of={ROUTE.take} /></Button
					>
				{/if}
				{#if more}
					<Button look="quiet" disabled={!plan.planned} onclick={() => (side = 'plans')}
						>Plans <KeyCap of={ROUTE.plans} /></Button
					>
				{:else}
					<Button look="quiet" onclick={() => (side = 'making')}
						>Made of <KeyCap of={ROUTE.making} /></Button
					>
				{/if}
			</div>
		</div>
	{/if}
</Later>
