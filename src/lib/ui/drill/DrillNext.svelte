<script lang="ts">
	import type { DrillDesk } from '$lib/state/drill/drill-desk.svelte';
	import KeyCap from '$lib/ui/KeyCap.svelte';
	import { said } from './drill-words';

	interface Props {
		desk: DrillDesk;
		ongo: () => void;
	}
	/** The next step in a sentence, its reason, and the button that takes it. */
	let { desk, ongo }: Props = $props();
	const next = $derived(desk.done?.next ?? null);
	const lower = (text: string) => text.charAt(0).toLowerCase() + text.slice(1);
</script>

<div class="step">
	<div>
		<h2>
			{next ? `Next: ${lower(said(next.text))}` : `Start at ${Math.round(desk.nextTempo)}.`}
		</h2>
		{#if next}<p>{said(next.reason)}</p>{/if}
	</div>
	<button type="button" class="next" onclick={ongo}>
		{next ? (next.kind === 'loop' ? 'Start the loop' : 'Go on') : 'Start'}
		<KeyCap keys="Enter" />
	</button>
</div>

<style>
	.step {
		display: flex;
		align-items: center;
		justify-content: space-between;
		gap: 16px;
		min-height: 56px;
		border-bottom: 2px solid var(--ink);
	}
	h2 {
		font-size: 25px;
	}
	p {
		color: var(--second);
		font-size: 14px;
	}
	.next {
		display: inline-flex;
		align-items: center;
		gap: 12px;
		min-height: 44px;
		padding: 0 14px;
		font-weight: 700;
		font-size: 16px;
		white-space: nowrap;
		background: var(--next-tint);
		border-left: 6px solid var(--next);
	}
	@media (max-width: 760px) {
		.step {
			flex-wrap: wrap;
			padding: 6px 0;
		}
	}
</style>
