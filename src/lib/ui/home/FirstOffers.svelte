<script lang="ts">
	import { enhance } from '$app/forms';
	import { FORMS } from '$core/chart';
	import KeyCap from '$lib/ui/parts/KeyCap.svelte';
	import { NOTEBOOK } from '$lib/words/keys/notebook';
	import type { Row } from '$lib/words/keys/key-map';

	/** What an empty notebook offers: four ways to begin. */
	type Props = { onwrite: () => void; onform: () => void; onbring: () => void };
	let { onwrite, onform, onbring }: Props = $props();
	let loading = $state(false);
	const offer =
		'grid w-full grid-cols-[minmax(0,1fr)_auto] items-center gap-x-4 border-b border-hair py-4 text-left hover:bg-lit';
</script>

{#snippet words(title: string, says: string, key: Row | null)}
	<span>
		<b class="block font-display text-ribbon leading-tight font-extrabold">{title}</b>
		<span class="text-line text-second">{says}</span>
	</span>
	{#if key}<span><KeyCap of={key} /></span>{/if}
{/snippet}

<p class="max-w-[36em] pb-3 text-head">
	Write a progression, see each chord inside one place on the neck, and plan a landing for every
	change.
</p>
<ul class="max-w-[44rem] border-t-2 border-ink">
	<li>
		<button type="button" class={offer} onclick={onwrite}
			>{@render words(
				'Write a chart',
				'Type its chords between bars, as in | Dm7 | G7 | Cmaj7 |',
				NOTEBOOK.tune
			)}</button
		>
	</li>
	<li>
		<button type="button" class={offer} onclick={onform}
			>{@render words(
				'Take a form',
				`One of ${FORMS.length}: blues, turnarounds, loops, in any key`,
				null
			)}</button
		>
	</li>
	<li>
		<button type="button" class={offer} onclick={onbring}
			>{@render words(
				'Bring a file',
				'MusicXML, MIDI, ChordPro, tab, or chords over words',
				NOTEBOOK.bring
			)}</button
		>
	</li>
	<li>
		<form
			method="POST"
			action="/?/demo"
			use:enhance={() => {
				loading = true;
				return ({ update }) => update().finally(() => (loading = false));
			}}
		>
			<button class={offer} disabled={loading}
				>{@render words(
					'Look at the demo',
					loading
						? 'The demo is being laid in …'
						: 'Eight made-up tunes, planned and practised; take them away again with one button',
					null
				)}</button
			>
		</form>
	</li>
</ul>
