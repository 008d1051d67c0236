<script lang="ts">
	import { Slider } from 'bits-ui';
	import { field } from './field';

	/** A value between two ends, drawn along a line, and said at its right. */
	type Props = {
		label: string;
		value: number;
		min: number;
		max: number;
		step?: number;
		/** The value in words. */
		said: string;
		/** While it is drawn. */
		onchange?: (value: number) => void;
		/** Once it is let go. */
		oncommit?: (value: number) => void;
		/** The words stand elsewhere and are only read out. */
		bare?: boolean;
	};
	let {
		label,
		value,
		min,
		max,
		step = 1,
		said,
		onchange,
		oncommit,
		bare = false
	}: Props = $props();
	const id = $props.id();
	const look = field();
	/** What is drawn until it is let go. */
	let drawn: number | null = $state(null);
</script>

<div class="min-w-0 flex-1 {bare ? '' : look.label()}">
	<span id="{id}-label" class={bare ? 'sr-only' : ''}>{label}</span>
	<span class="flex items-center gap-3">
		<Slider.Root
			type="single"
			class="relative flex h-7 w-full touch-none items-center select-none"
			{min}
			{max}
			{step}
			value={drawn ?? value}
			onValueChange={(next) => {
				drawn = next;
				onchange?.(next);
			}}
			onValueCommit={(next) => {
				drawn = null;
				oncommit?.(next);
			}}
		>
			<span class="relative h-0.5 w-full bg-strong">
				<Slider.Range class="absolute h-full bg-ink" />
			</span>
			<Slider.Thumb
				index={0}
				class="block h-5 w-3 cursor-grab bg-ink active:cursor-grabbing"
				aria-labelledby="{id}-label"
				aria-valuetext={said}
			/>
		</Slider.Root>
		{#if !bare}<output class="min-w-13 text-right font-mono text-line font-bold text-ink"
				>{said}</output
			>{/if}
	</span>
</div>
