<script lang="ts">
	import ScreenHead from '$lib/ui/parts/ScreenHead.svelte';
	import { keyName, type Chart, type Diagnostic } from '$core/chart';
	import type { Key } from '$core/chord';
	import { capital, inWords, keyWords, plural } from '$lib/words/words';

	/** Where home is, whether every symbol reads, and how long the chart is. */
	type Props = {
		chart: Chart;
		key: Key | null;
		problems: readonly Diagnostic[];
		onjump: () => void;
	};
	let { chart, key, problems, onjump }: Props = $props();
	const unread = $derived(problems.filter((entry) => entry.severity === 'error'));
	const sounding = $derived(chart.events.filter((event) => event.chord).length);
</script>

<ScreenHead>
	<h1>
		{#if sounding === 0}No chord to read yet.{:else}{key
				? `Home is ${keyWords(keyName(key)).replace(' major', '')}.`
				: ''}
			{#if unread.length === 0}Every symbol reads.{:else}{capital(inWords(unread.length))}
				{unread.length === 1 ? 'thing does' : 'things do'} not read.{/if}{/if}
	</h1>
	<p>
		{plural(chart.played.length, 'bar')}, {plural(sounding, 'chord')}, {plural(
			chart.changes.length,
			'change'
		)}.
		{#if problems.length > 0}<button
				class="ml-1 border-b-2 border-ink font-bold text-ink"
				type="button"
				onclick={onjump}>line {problems[0].line}</button
			>{/if}
	</p>
</ScreenHead>
