<script lang="ts">
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

<span class="choice">
	{#if choice.edits.length === 0}
		<span class="fits"
			>{title(choice.scale)}<br />{choice.containsAll
				? 'all its tones are in'
				: lackWords(choice)}</span
		>
	{:else}
		<button
			type="button"
			class="use"
			aria-pressed={inUse}
			onclick={() => onuse(inUse ? null : choice.scale)}
		>
			<span>{choiceWords(choice)}{choice.containsAll ? '' : `, ${lackWords(choice)}`}</span>
			<small>{inUse ? '✓ ' : ''}{called(choice)}</small>
		</button>
	{/if}
	<span class="grid justify-items-end">
		{#if count > 1}
			<button
				type="button"
				class="another"
				aria-label="Another scale for {signs(chord.symbol)}, now {at + 1} of {count}"
				onclick={onanother}>{at + 1}/{count} ›</button
			>
		{/if}
		{@render children()}
	</span>
</span>

<style>
	.choice {
		display: flex;
		align-items: center;
		justify-content: flex-end;
		gap: 8px;
		text-align: right;
		min-width: 0;
	}
	.use {
		text-align: right;
		line-height: 1.2;
		font-size: 14px;
	}
	.use:hover {
		text-decoration: underline;
	}
	.use small {
		display: block;
		font-size: 13px;
		color: var(--second);
	}
	.use[aria-pressed='true'] small {
		color: var(--ink);
		font-weight: 700;
	}
	.fits {
		font-size: 13px;
		color: var(--second);
	}
	.another {
		font-size: 12px;
		color: var(--second);
		padding: 4px 4px 4px 4px;
		white-space: nowrap;
	}
	.another:hover {
		text-decoration: underline;
	}
	@media (max-width: 640px) {
		.choice {
			grid-column: 1 / -1;
		}
		.use,
		.another {
			min-height: 44px;
		}
	}
</style>
