<script lang="ts">
	import type { NeckMark } from './neck-marks';
	import RoleMark from './RoleMark.svelte';

	/** What stands on one place of the neck, around its centre. */
	type Props = {
		mark: NeckMark;
		radius: number;
		label: string;
		/** The name beside a dash of the scale; empty where none is shown. */
		dash: string;
		/** The landing that is looked at, the one before it, or neither. */
		landing: 'target' | 'before' | null;
		locked: boolean;
		faded: boolean;
		/** Finger beside the mark; empty where none is shown. */
		finger: string;
		/** The note of the line that is picked stands here. */
		picked: boolean;
		/** No landing takes this place. */
		forbidden: boolean;
	};
	let { mark, radius, label, dash, landing, locked, faded, finger, picked, forbidden }: Props =
		$props();
</script>

{#if picked}<circle class="fill-none stroke-ink stroke-[2.5] dash-[5_3]" r={radius + 6} />{/if}
{#if mark.scale}
	{#if mark.scale.verdict === 'clash'}
		<path
			class="fill-none stroke-second stroke-[2.5] [stroke-dasharray:2.5_2.5]"
			d="M-9,4Q0,-9 9,4"
		/>
	{:else}
		<path
			class="fill-none stroke-second stroke-4"
			d={mark.scale.telling ? 'M-8,-4H8M-8,4H8' : 'M-8,0H8'}
		/>
	{/if}
	{#if dash !== '' && !faded}
		<text
			data-part="dash"
			class="pointer-events-none fill-second stroke-lit stroke-[3px] text-count font-semibold [paint-order:stroke]"
			x="10"
			y="-3">{dash}</text
		>
	{/if}
{:else if !mark.now && !mark.next}
	<circle class="fill-paper stroke-strong stroke-[1.5]" r="4.5" />
{/if}
<RoleMark
	now={landing === 'target' ? undefined : mark.now?.role}
	next={landing === 'before' && mark.now ? undefined : mark.next?.role}
	{label}
	r={landing ? radius * 1.22 : mark.reach ? radius * 0.86 : radius}
	target={landing !== null}
	{locked}
/>
{#if mark.added && !landing && !faded}
	<path class="fill-none stroke-ink stroke-2" d="M{radius * 0.98},{-radius * 1.02}h7m-3.5,-3.5v7" />
{/if}
{#if forbidden}
	<path
		class="fill-none stroke-ink stroke-[2.5]"
		d="M{-radius},{-radius}L{radius},{radius}M{radius},{-radius}L{-radius},{radius}"
	/>
{/if}
{#if finger !== '' && !faded && !mark.scale}
	<text
		data-part="finger"
		class="pointer-events-none fill-ink stroke-lit stroke-[3px] text-count font-bold [paint-order:stroke] anchor-end"
		x={-radius - 2}
		y={-radius * 0.55}>{finger}</text
	>
{/if}
