<script lang="ts">
	import { proseSigns } from '$core/chord';
	import type { Landing } from '$core/route';
	import { useTune } from '$lib/state/open-tune.svelte';
	import type { RoutePlan } from '$lib/state/route-plan.svelte';
	import { fittingSize } from '../chord-width';
	import ChordSymbol from '../ChordSymbol.svelte';
	import KeyCap from '../KeyCap.svelte';
	import ToneLadder from '../ToneLadder.svelte';
	import LandingList from './LandingList.svelte';
	import StylePicker from './StylePicker.svelte';

	/** The selected change: its two chords, where it can land and why, lock, let pass, style. */
	type Props = { plan: RoutePlan; landings: readonly Landing[]; onnextbest: () => void };
	let { plan, landings, onnextbest }: Props = $props();
	const open = useTune();
	const target = $derived(plan.target(open.cursor));
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
	{#if open.change}
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
					chosen={target}
					locked={plan.isLocked(open.cursor)}
					reasons={target?.reasons ?? []}
					onchoose={(place) => plan.lockAt(open.cursor, place)}
				/>
			{/if}
		</section>
		<div class="bottom">
			<StylePicker style={plan.wishes.style} onchange={(style) => plan.setStyle(style)} />
			{#each plan.warnings.slice(0, 3) as warning (warning)}<p class="hint" role="status">
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
		padding: 10px 0 12px;
		position: sticky;
		bottom: -16px;
		background: var(--paper);
	}
	.keys {
		display: flex;
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
