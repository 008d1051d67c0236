<script lang="ts">
	import { FORMS, formBars, parseChart, type Chart, type ChartForm } from '$core/chart';
	import { proseSigns, signs, type Key } from '$core/chord';
	import { noteName, parseNote, type Note } from '$core/pitch';

	/** Forms to start from, written out on the tonic of the chart; one replaces the bars. */
	type Props = {
		chart: Chart;
		key: Key | null;
		onform: (form: ChartForm, tonic: Note) => void;
	};
	let { chart, key, onform }: Props = $props();
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
	let all = $state(false);
	const FEW = 7;
	const shown = $derived(all || chart.bars.length === 0 ? FORMS : FORMS.slice(0, FEW));
</script>

<section>
	<div class="section-head">
		<h2>Start from a form</h2>
		<small>in {signs(name)}{chart.bars.length > 0 ? ', replaces the bars' : ''}</small>
	</div>
	<ul>
		{#each shown as form (form.id)}
			<li>
				<button type="button" class:this={form.id === own} onclick={() => onform(form, tonic)}>
					<span>{form.name}</span>
					<small>{form.id === own ? 'this chart' : proseSigns(form.says)}</small>
				</button>
			</li>
		{/each}
	</ul>
	{#if chart.bars.length > 0}
		<button type="button" class="quiet" aria-expanded={all} onclick={() => (all = !all)}
			>{all ? 'Fewer forms' : `${FORMS.length - FEW} more forms`}</button
		>
	{/if}
</section>

<style>
	li button {
		display: flex;
		justify-content: space-between;
		align-items: baseline;
		gap: 8px;
		width: 100%;
		min-height: 29px;
		padding: 4px 0;
		text-align: left;
		border-bottom: 1px solid var(--hair);
	}
	li button:hover {
		background: var(--lit);
	}
	.this {
		font-weight: 700;
	}
	small {
		font-family: var(--font-mono);
		font-size: 13px;
		color: var(--second);
		white-space: nowrap;
	}
	.section-head small {
		font-family: inherit;
	}
	@media (max-width: 1099px) {
		li button {
			min-height: 40px;
			align-items: center;
		}
	}
</style>
