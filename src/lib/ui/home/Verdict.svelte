<script lang="ts">
	import { NOTEBOOK } from '$lib/words/keys/notebook';
	import { ahead } from '$lib/words/when';
	import { capital, inWords, plural } from '$lib/words/words';
	import KeyCap from '$lib/ui/parts/KeyCap.svelte';
	import { todaySentence, type Item } from './today-words';

	/** What there is to do today; where nothing is, the next thing worth doing. */
	type Props = {
		data: {
			readonly counts: { readonly tunes: number; readonly planned: number };
			readonly today: readonly Item[];
			/** Drills that were ever played, and when the next one is due, in ms. */
			readonly practised: number;
			readonly soon: number;
			readonly now: number;
		};
		/** The first tune, and the first that no route is planned for. */
		first: { readonly id: string; readonly title: string } | undefined;
		waiting: { readonly id: string; readonly title: string } | undefined;
	};
	let { data, first, waiting }: Props = $props();
	const counted = (count: number, what: string) =>
		plural(count, what).replace(/^\d+/, (n) => inWords(Number(n)));
	const link = 'border-b-2 border-ink font-bold text-ink';
</script>

{#if data.counts.tunes === 0}
	<h1>An empty notebook.</h1>
{:else if data.today.length > 0}
	<h1>Today: {counted(data.today.length, 'drill')}.</h1>
	<p>{todaySentence(data.today)}</p>
{:else if data.practised > 0}
	<h1>Nothing is due today.</h1>
	<p>
		Next: {ahead(data.soon, data.now)}. Any tune can be drilled with <KeyCap of={NOTEBOOK.drill} />.
	</p>
{:else}
	<h1>
		{capital(counted(data.counts.tunes, 'tune'))}, {inWords(data.counts.planned)} planned.
	</h1>
	{#if waiting}
		<p>Next: <a class={link} href="/tunes/{waiting.id}/route">plan {waiting.title}</a></p>
	{:else if first}
		<p>Next: <a class={link} href="/tunes/{first.id}/drill">drill {first.title}</a></p>
	{/if}
{/if}
