<script lang="ts">
	import { DRILL } from '$lib/words/keys/drill';
	import type { DrillDesk } from '$lib/state/drill/drill-desk.svelte';
	import KeyCap from '$lib/ui/parts/KeyCap.svelte';
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

<div
	class="flex min-h-14 items-center justify-between gap-4 border-b-2 border-ink max-tablet:flex-wrap max-tablet:px-0 max-tablet:py-1.5"
>
	<div>
		<h2 class="text-verdict">
			{next ? `Next: ${lower(said(next.text))}` : `Start at ${Math.round(desk.nextTempo)}.`}
		</h2>
		{#if next}<p class="text-line text-second">{said(next.reason)}</p>{/if}
	</div>
	<button
		type="button"
		class="inline-flex min-h-11 items-center gap-3 border-l-6 border-next bg-next-tint px-3.5 text-line font-bold whitespace-nowrap"
		onclick={ongo}
	>
		{next ? (next.kind === 'loop' ? 'Start the loop' : 'Go on') : 'Start'}
		<KeyCap of={DRILL.go} />
	</button>
</div>
