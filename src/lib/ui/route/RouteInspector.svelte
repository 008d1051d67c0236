<script lang="ts">
	import { proseSigns } from '$core/chord';
	import type { Landing } from '$core/route';
	import { useTune } from '$lib/state/open-tune.svelte';
	import type { RoutePlan } from '$lib/state/route-plan.svelte';
	import { STYLE_NAMES } from '$lib/state/style-names';
	import { fittingSize } from '../chord-width';
	import ChordSymbol from '../ChordSymbol.svelte';
	import KeyCap from '../KeyCap.svelte';
	import ToneLadder from '../ToneLadder.svelte';
	import LandingList from './LandingList.svelte';
	import ArriveList from './ArriveList.svelte';
	import LinePanel from './LinePanel.svelte';
	import { lineWords } from './line-words';

	/** The selected change: its two chords, where it can land and why, lock, let pass, style. */
	type Props = {
		plan: RoutePlan;
		landings: readonly Landing[];
		/** The panel of how the route is made is open in place of the change. */
		making: boolean;
		onnextbest: () => void;
	};
	let { plan, landings, making = $bindable(), onnextbest }: Props = $props();
	const open = useTune();
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
	{#if making}
		<LinePanel {plan} onclose={() => (making = false)} />
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
			{#if open.now && open.next}<ToneLadder now={open.now} next={open.next} />{/if}
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
			{/if}
			{#if plan.planned}
				<LandingList
					{landings}
					few={filled ? 2 : 4}
					chosen={target}
					locked={plan.isLocked(open.cursor)}
					reasons={target?.reasons ?? []}
					onchoose={(place) => plan.lockAt(open.cursor, place)}
				/>
			{/if}
		</section>
		{#if filled && arrivals.length > 0}
			<section class="arrive">
				<div class="section-head">
					<h2>Arrive by</h2>
				</div>
				<ArriveList
					options={arrivals}
					{taken}
					wished={plan.arriveWish(open.cursor)}
					onchoose={(approach) => plan.setArrival(open.cursor, approach)}
				/>
			</section>
		{/if}
		<div class="bottom">
			<button type="button" class="made" onclick={() => (making = true)}>
				<span><b>{STYLE_NAMES[plan.wishes.style].name}</b>, {lineWords(plan.wishes.line)}</span>
				<KeyCap keys="W" />
			</button>
			{#each plan.warnings.slice(0, 3) as warning, i (i)}<p class="hint" role="status">
					{proseSigns(warning)}
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
				<button type="button" class="quiet" disabled={!plan.planned} onclick={onnextbest}
					>Next best <KeyCap keys="A" /></button
				>
				{#if filled}
					<button type="button" class="quiet" onclick={() => plan.toggleFrozen(open.cursor)}
						>{plan.isFrozen(open.cursor) ? 'Plan this way' : 'Keep this way'}
						<KeyCap keys="K" /></button
					>
					<button type="button" class="quiet" onclick={() => plan.anotherTake()}
						>Another take <KeyCap keys="T" /></button
					>
				{/if}
			</div>
		</div>
	{/if}
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
