<script lang="ts">
	import PanelHead from '$lib/ui/parts/PanelHead.svelte';
	import Button from '$lib/ui/parts/Button.svelte';
	import { FORMS, formBars, parseChart, type Chart, type ChartForm } from '$core/chart';
	import { proseSigns, signs, type Key } from '$core/chord';
	import { onMount } from 'svelte';
	import { noteName, parseNote, type Note } from '$core/pitch';

	/** Forms to start from, written out on the tonic of the chart; one replaces the bars. */
	type Props = {
		chart: Chart;
		key: Key | null;
		/** The list has the focus. */
		first?: boolean;
		onform: (form: ChartForm, tonic: Note) => void;
	};
	let { chart, key, first = false, onform }: Props = $props();
	const C = { letter: 0, alter: 0 } as const;
	const tonic = $derived(key?.tonic ?? C);
	const name = $derived(noteName(tonic));
	const signature = (from: Chart) =>
		from.events.map(({ symbol, startTick }) => `${startTick}${symbol}`).join();
	/** The forms on this tonic by what they sound like. */
	const known = $derived.by(() => {
		const on = parseNote(name) ?? C;
		return new Map(FORMS.map((form) => [signature(parseChart(formBars(form, on))), form.id]));
	});
	const LONGEST = 64;
	/** The form that the chart is, if it is one. */
	const own = $derived(
		chart.bars.length > 0 && chart.events.length <= LONGEST ? known.get(signature(chart)) : null
	);
	let list: HTMLElement;
	onMount(() => {
		if (first) list.querySelector('button')?.focus();
	});
	let all = $state(false);
	const FEW = 7;
	const shown = $derived(all || chart.bars.length === 0 ? FORMS : FORMS.slice(0, FEW));
</script>

<section>
	<PanelHead
		title="Start from a form"
		note="in {signs(name)}{chart.bars.length > 0 ? ', replaces the bars' : ''}"
	/>
	<ul bind:this={list}>
		{#each shown as form (form.id)}
			<li>
				<button
					class="flex min-h-7.25 w-full items-baseline justify-between gap-2 border-b border-hair py-1 text-left hover:bg-lit data-this:font-bold max-desk:min-h-10 max-desk:items-center"
					data-this={form.id === own || undefined}
					type="button"
					onclick={() => onform(form, tonic)}
				>
					<span>{form.name}</span>
					<small class="font-mono text-reason whitespace-nowrap text-second"
						>{form.id === own ? 'this chart' : proseSigns(form.says)}</small
					>
				</button>
			</li>
		{/each}
	</ul>
	{#if chart.bars.length > 0}
		<Button look="quiet" aria-expanded={all} onclick={() => (all = !all)}
			>{all ? 'Fewer forms' : `${FORMS.length - FEW} more forms`}</Button
		>
	{/if}
</section>
