<script lang="ts">
	import { engrave, signs, type Chord } from '$core/chord';

	type Props = {
		chord: Chord | null;
		/** What to show when there is no chord: the text as typed, or N.C. */
		fallback?: string;
		/** Weight 600 for chords that do not matter at the moment. */
		quiet?: boolean;
	};
	let { chord, fallback = '', quiet = false }: Props = $props();
	const parts = $derived(chord && engrave(chord));
</script>

{#if parts && chord}
	<span class="chord" class:quiet role="img" aria-label={signs(chord.symbol)}
		><span aria-hidden="true"
			>{parts.letter}{#if parts.accidental}<span class="accidental">{parts.accidental}</span
				>{/if}{#if parts.minor}<span class="minor">m</span>{/if}{#if parts.raised}<span
					class="raised"
					>{#if parts.raised.startsWith('°')}<span class="degree">°</span>{parts.raised.slice(
							1
						)}{:else}{parts.raised}{/if}</span
				>{/if}{#if parts.bass}<span class="bass">/{parts.bass}</span>{/if}</span
		></span
	>
{:else if fallback}
	<span class="chord quiet">{fallback}</span>
{/if}

<style>
	.chord {
		font-family: var(--font-display);
		font-weight: 800;
		line-height: 1;
		white-space: nowrap;
	}
	.quiet {
		font-weight: 600;
	}
	.accidental {
		font-size: 0.84em;
		position: relative;
		top: -0.2em;
		margin-left: 0.02em;
		line-height: 0;
	}
	.minor {
		font-size: 0.74em;
	}
	.raised {
		font-size: 0.54em;
		position: relative;
		top: -0.667em;
		margin-left: 0.04em;
		line-height: 0;
	}
	.degree {
		font-size: 1.7em;
		position: relative;
		top: 0.22em;
	}
	.bass {
		font-size: 0.62em;
		margin-left: 0.06em;
	}
</style>
