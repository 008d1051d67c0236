<script lang="ts">
	/** An arc whose solid part is the share that lands, 0 … 1; dotted is not yet. `wide` fills its box. */
	type Props = { share: number; wide?: boolean; class?: string };
	let { share, wide = false, class: extra = '' }: Props = $props();
	const id = $props.id();
	// The arc is drawn on a path of length 100, so that shares are dash lengths.
	const D = 'M3,24Q40,-14 77,24';
</script>

{#if wide}
	<svg viewBox="0 0 80 28" preserveAspectRatio="none" class="size-full" aria-hidden="true">
		<clipPath {id}><rect x="0" y="-10" width={3 + 74 * share} height="48" /></clipPath>
		<path
			class="fill-none stroke-strong stroke-[1.6] [stroke-dasharray:1.6_3.4] [vector-effect:non-scaling-stroke]"
			d={D}
		/>
		{#if share > 0}<path
				class="fill-none stroke-ink stroke-[3.4] [vector-effect:non-scaling-stroke]"
				d={D}
				clip-path="url(#{id})"
			/>{/if}
	</svg>
{:else}
	<svg class={extra} viewBox="0 0 80 28" width="80" height="28" aria-hidden="true">
		<path
			class="fill-none stroke-strong stroke-[1.6] [stroke-dasharray:1.6_3.4]"
			d={D}
			pathLength="100"
		/>
		{#if share > 0}
			<path
				class="fill-none stroke-ink stroke-[3.4]"
				d={D}
				pathLength="100"
				stroke-dasharray="{100 * share} 200"
			/>
		{/if}
	</svg>
{/if}
