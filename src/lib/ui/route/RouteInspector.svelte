<script lang="ts">
	import { prefs } from '$lib/state/prefs.svelte';
	import type { LineSelection } from '$lib/state/line-selection.svelte';
	import { useTune } from '$lib/state/open-tune.svelte';
	import type { RoutePlan } from '$lib/state/route-plan.svelte';
	import { STYLE_NAMES } from '$lib/words/styles';
	import { fittingSize } from '$lib/draw/chord-width';
	import ChordSymbol from '../ChordSymbol.svelte';
	import { Tabs } from 'bits-ui';
	import KeyCap from '../KeyCap.svelte';
	import Later from '../Later.svelte';
	import ToneLadder from '../ToneLadder.svelte';
	import type { RouteActions, Side } from './route-actions.svelte';
	import HereBox from './HereBox.svelte';
	import LandingList from './LandingList.svelte';
	import ArriveList from './ArriveList.svelte';
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
	let about = $state('arrive');
	const target = $derived(plan.target(open.cursor));
	const filled = $derived(plan.line.length > 0);
	const arrivals = $derived(plan.arrivalsAt(open.cursor));
	const taken = $derived(
		plan.arrivalKinds[plan.targets.findIndex((entry) => entry.change === open.cursor)] ?? null
	);
	/** Both symbols fit beside the arc. */
	const size = $derived(
		Math.min(
			...[open.now, open.next].map((chord) =>
				chord ? fittingSize(chord, 124, [46, 38, 31, 26, 21]) : 46
			)
		)
	);
</script>

<aside class="inspector" aria-label="The selected change">
	<Later>
		{#if side === 'making'}
			{#await import('./LinePanel.svelte') then Panel}
				<Panel.default {plan} onclose={() => (side = 'change')} />
			{/await}
		{:else if side === 'plans'}
			{#await import('./PlansPanel.svelte') then Panel}
				<Panel.default {plan} onclose={() => (side = 'change')} />
			{/await}
		{:else if open.change}
			<section class="pair-box">
				<p class="where">
					<strong>Change {open.cursor + 1} of {open.chart.changes.length}</strong> bar {open.change
						.bar}, beat {open.change.beat}{open.cursor === 0 ? ', back at the top' : ''}
				</p>
				<div class="pair" style="font-size:{size}px">
					{#if open.now}<span class="now"><ChordSymbol chord={open.now} /></span>{/if}
					{#if open.now && open.next}
						<svg viewBox="0 0 44 20" width="44" height="20" aria-hidden="true"
							><path d="M3,17Q22,-12 41,17" /></svg
						>
					{/if}
					{#if open.next}<span class="next"><ChordSymbol chord={open.next} /></span>{/if}
				</div>
				{#if selection.size > 0}
					{#await import('./NoteBox.svelte') then Box}
						<Box.default {plan} {selection} {actions} />
					{/await}
				{:else if open.now && open.next}
					<ToneLadder now={open.now} next={open.next} />
				{/if}
			</section>
			<section>
				<div class="section-head">
					<h2>Land on</h2>
					<small>choosing locks it</small>
				</div>
				{#if !plan.planned}
					<p class="hint">Plan first; then every place is listed here with its reasons.</p>
				{:else if plan.isLetPass(open.cursor)}
					<p class="hint">This change is let pass. Choose a place to land after all.</p>
				{:else if plan.isOwn(open.cursor)}
					<p class="hint">Your own notes stand here. Choose a place to land there instead.</p>
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
			{#if plan.planned}
				<Tabs.Root bind:value={about} class="about">
					<Tabs.List class="about-tabs" aria-label="About this change">
						<Tabs.Trigger value="arrive">Arrive by</Tabs.Trigger>
						<Tabs.Trigger value="here">Rest and scale</Tabs.Trigger>
					</Tabs.List>
					<Tabs.Content value="arrive" class="arrive">
						{#if filled && arrivals.length > 0}
							<ArriveList
								options={arrivals}
								{taken}
								wished={plan.arriveWish(open.cursor)}
								onchoose={(approach) => plan.setArrival(open.cursor, approach)}
							/>
						{:else}
							<p class="hint">
								No note leads here: {filled
									? 'there is no room before it'
									: 'only landings are planned'}.
							</p>
						{/if}
					</Tabs.Content>
					<Tabs.Content value="here"
						>{#if about === 'here'}<HereBox {plan} />{/if}</Tabs.Content
					>
				</Tabs.Root>
			{/if}
			<div class="bottom">
				<button type="button" class="made" onclick={() => (side = 'making')}>
					<span><b>{STYLE_NAMES[plan.wishes.style].name}</b>, {lineWords(plan.wishes.line)}</span>
					<KeyCap keys="W" />
				</button>
				{#each plan.warnings.slice(0, 3) as warning, i (i)}<p class="hint" role="status">
						{prefs.prose(warning)}
					</p>{/each}
				<div class="keys">
					<button
						type="button"
						class="quiet"
						disabled={!target}
						onclick={() => plan.toggleLock(open.cursor)}
						>{plan.isLocked(open.cursor) ? 'Unlock' : 'Lock'} <KeyCap keys="L" /></button
					>
					<button type="button" class="quiet" onclick={() => plan.toggleLetPass(open.cursor)}
						>{plan.isLetPass(open.cursor) ? 'Land here' : 'Let it pass'} <KeyCap keys="X" /></button
					>
					<button
						type="button"
						class="quiet"
						disabled={!plan.planned}
						onclick={() => void actions.nextBest()}>Next best <KeyCap keys="A" /></button
					>
					{#if filled}
						<button type="button" class="quiet" onclick={() => plan.toggleFrozen(open.cursor)}
							>{plan.isFrozen(open.cursor) ? 'Plan it' : 'Keep'}
							<KeyCap keys="K" /></button
						>
						<button type="button" class="quiet" onclick={() => plan.anotherTake()}
							>Take <KeyCap keys="T" /></button
						>
					{/if}
					<button
						type="button"
						class="quiet"
						disabled={!plan.planned}
						onclick={() => (side = 'plans')}>Plans <KeyCap keys="B" /></button
					>
				</div>
			</div>
		{/if}
	</Later>
</aside>

<style>
	.where {
		color: var(--second);
		font-size: 15px;
	}
	.where strong {
		color: var(--ink);
		margin-right: 6px;
	}
	.pair {
		display: flex;
		align-items: center;
		justify-content: space-between;
		line-height: 1;
		padding: 12px 0 10px;
		border-bottom: 1px solid var(--hair);
		margin-bottom: 6px;
	}
	.pair .now {
		color: var(--now-ink);
	}
	.pair .next {
		color: var(--next-ink);
	}
	.pair path {
		fill: none;
		stroke: var(--now-line);
		stroke-width: 3.5;
	}
	.hint {
		font-size: 13px;
		color: var(--second);
		padding: 8px 0;
	}
	:global(.about-tabs) {
		display: flex;
		gap: 18px;
		border-bottom: 2px solid var(--ink);
	}
	:global(.about-tabs button) {
		font-family: var(--font-display);
		font-weight: 800;
		font-size: 17px;
		min-height: 32px;
		color: var(--second);
	}
	:global(.about-tabs button[data-state='active']) {
		color: var(--ink);
		box-shadow: inset 0 -4px 0 var(--ink);
	}
	.bottom {
		margin-top: auto;
		border-top: 2px solid var(--ink);
		padding: 6px 0 12px;
		position: sticky;
		bottom: -16px;
		background: var(--paper);
	}
	.made {
		display: flex;
		width: 100%;
		justify-content: space-between;
		align-items: center;
		gap: 8px;
		min-height: 34px;
		text-align: left;
		line-height: 1.2;
	}
	.made:hover {
		background: var(--lit);
	}
	.keys {
		display: flex;
		flex-wrap: wrap;
		justify-content: space-between;
		gap: 8px;
		padding-top: 6px;
	}
	.keys button[disabled] {
		color: var(--third);
	}
	@media (max-width: 1099px) {
		.bottom {
			grid-column: 1 / -1;
			bottom: 64px;
			margin: 0;
		}
	}
</style>
