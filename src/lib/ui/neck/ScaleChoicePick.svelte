<script lang="ts">
	import Toggle from '$lib/ui/parts/Toggle.svelte';
	import { signs, type Chord } from '$core/chord';
	import type { Scale, ScaleChoice } from '$core/harmony';
	import { useTune } from '$lib/state/open-tune.svelte';
	import { scaleTitle } from '$lib/words/words';
	import type { Snippet } from 'svelte';
	import { choiceWords, lackWords } from './scale-rows';

	/** One scale for a chord: what it changes, its name, and the way to the next one. */
	type Props = {
		chord: Chord;
		choice: ScaleChoice;
		/** Which of how many it is, from 0. */
		at: number;
		count: number;
		inUse: boolean;
		onuse: (scale: Scale | null) => void;
		onanother: () => void;
		children: Snippet;
	};
	let { chord, choice, at, count, inUse, onuse, onanother, children }: Props = $props();
	const open = useTune();
	const title = (other: Scale) => scaleTitle(other, open.player.scales);
	/** The name that a chord gives a scale, and the same notes from home. */
	const called = ({ scale: own, relative }: ScaleChoice) =>
		title(own) + (relative ? ` = ${title(relative)}` : '');
</script>

<span
	class="flex min-w-0 items-center justify-end gap-2 text-right in-data-wide:col-start-2 in-data-wide:justify-between in-data-wide:pb-1 in-data-wide:text-left max-tablet:col-span-full in-data-wide:[&_button]:text-left"
>
	{#if choice.edits.length === 0}
		<span class="text-reason text-second"
			>{title(choice.scale)}<br />{choice.containsAll
				? 'all its tones are in'
				: lackWords(choice)}</span
		>
	{:else}
		<Toggle
			class="text-right text-line leading-tight hover:underline max-tablet:min-h-11"
			pressed={inUse}
			onchange={() => onuse(inUse ? null : choice.scale)}
		>
			<span>{choiceWords(choice)}{choice.containsAll ? '' : `, ${lackWords(choice)}`}</span>
			<small
				class="block text-reason text-second in-aria-pressed:font-bold in-aria-pressed:text-ink"
				>{inUse ? '✓ ' : ''}{called(choice)}</small
			>
		</Toggle>
	{/if}
	<span class="grid justify-items-end">
		{#if count > 1}
			<button
				type="button"
				class="p-1 text-count whitespace-nowrap text-second hover:underline max-tablet:min-h-11"
				aria-label="Another scale for {signs(chord.symbol)}, now {at + 1} of {count}"
				onclick={onanother}>{at + 1}/{count} ›</button
			>
		{/if}
		{@render children()}
	</span>
</span>
