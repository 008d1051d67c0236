<script lang="ts">
	import { engrave, signs, type Chord } from '$core/chord';

	type Props = {
		chord: Chord | null;
		/** What to show when there is no chord: the text as typed, or N.C. */
		fallback?: string;
		/** Weight 600 for chords that do not matter at the moment. */
		quiet?: boolean;
		/** In the face and weight of the words around it. */
		plain?: boolean;
	};
	let { chord, fallback = '', quiet = false, plain = false }: Props = $props();
	const parts = $derived(chord && engrave(chord));
</script>

{#if parts && chord}
	<span
		class="leading-none whitespace-nowrap {plain
			? ''
			: quiet
				? 'font-display font-semibold'
				: 'font-display font-extrabold'}"
		role="img"
		aria-label={signs(chord.symbol)}
		><span aria-hidden="true"
			>{parts.letter}{#if parts.accidental}<span
					class="relative top-[-0.2em] ml-[0.02em] text-[0.84em] leading-[0]"
					>{parts.accidental}</span
				>{/if}{#if parts.minor}<span class="text-[0.74em]">m</span>{/if}{#if parts.raised}<span
					class="relative top-[-0.667em] ml-[0.04em] text-[0.54em] leading-[0]"
					>{#if parts.raised.startsWith('°')}<span class="relative top-[0.22em] text-[1.7em]"
							>°</span
						>{parts.raised.slice(1)}{:else}{parts.raised}{/if}</span
				>{/if}{#if parts.bass}<span class="ml-[0.06em] text-[0.62em]">/{parts.bass}</span
				>{/if}</span
		></span
	>
{:else if fallback}
	<span class="font-display leading-none font-semibold whitespace-nowrap">{fallback}</span>
{/if}
