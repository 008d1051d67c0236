<script lang="ts">
	import { colourOver } from '$core/route';
	import { roleWords, proseSigns } from '$core/chord';
	import { useTune } from '$lib/state/open-tune.svelte';
	import { prefs } from '$lib/state/prefs.svelte';
	import type { RoutePlan } from '$lib/state/route-plan.svelte';
	import Choice from '$lib/ui/parts/Choice.svelte';

	/** A colour of the scale that sounds at a change: what it is, and what it counts as. */
	let { plan }: { plan: RoutePlan } = $props();
	const open = useTune();
	const WAYS = [
		{ value: 'miss', name: 'a miss' },
		{ value: 'lean', name: 'leans' },
		{ value: 'land', name: 'lands' }
	] as const;
	const change = $derived(open.change);
	const judged = $derived(plan.check?.changes[open.cursor] ?? null);
	const role = $derived.by(() => {
		if (!change || !judged || judged.midi === null || judged.result === 'landed') return null;
		return colourOver(open.chart, plan.scales, change.to.index, judged.midi);
	});
	const scale = $derived(plan.scales[change?.to.index ?? 0] ?? null);
</script>

{#if change && judged && judged.name !== null && role}
	<section class="grid gap-1.5 border-b border-hair pb-2.5" data-part="lean">
		<p class="leading-snug">
			<b>{prefs.name(judged.name)}</b>, the {roleWords(role)} of {proseSigns(change.to.symbol)}:
			{scale ? `a colour of ${prefs.prose(`${scale.notes[0].name} ${scale.name}`)}` : 'a colour'}.
		</p>
		<Choice
			label="At a change of this line a colour is"
			options={WAYS}
			value={plan.wishes.line.colours}
			onchange={(colours) => plan.setLine({ colours })}
		/>
	</section>
{/if}
