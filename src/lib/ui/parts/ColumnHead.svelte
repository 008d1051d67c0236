<script lang="ts">
	import type { ColumnWidths } from '$lib/state/column-widths.svelte';
	import type { Snippet } from 'svelte';

	/**
	 * The head of a column: it sorts, by a link, and its edge makes the column wider by dragging or with the arrows.
	 * Home, or a double click on the edge, lets the table lay its columns out itself again.
	 */
	type Props = {
		/** Its name among the widths. */
		column: string;
		/** What the column is called; without, it is only read out. */
		name: string;
		silent?: boolean;
		/** Where its order is shown; none where it cannot be sorted by. */
		href?: string | undefined;
		sorted?: 'asc' | 'desc' | false;
		/** From which width of the screen on it is shown, for the table to say. */
		from?: string | undefined;
		/** None where its width is not the player's to set. */
		widths?: ColumnWidths | undefined;
		/** Begins a drag of the edge. */
		ondrag?: ((event: MouseEvent | TouchEvent) => void) | undefined;
		class?: string;
		children?: Snippet;
	};
	let {
		column,
		name,
		silent = false,
		href,
		sorted = false,
		from,
		widths,
		ondrag,
		class: extra = '',
		children
	}: Props = $props();
	let head: HTMLTableCellElement | undefined = $state();
	const STEP = 16;

	/** Every column as wide as it is now: one that is made wider takes nothing from the others. */
	function hold(): void {
		if (!widths || Object.keys(widths.current).length > 0) return;
		const heads = head?.parentElement?.querySelectorAll<HTMLElement>('th[data-column]') ?? [];
		widths.set(
			Object.fromEntries(
				[...heads].flatMap((one) =>
					one.offsetWidth > 0 ? [[one.dataset.column, one.offsetWidth]] : []
				)
			)
		);
	}
	function press(event: KeyboardEvent): void {
		const by = { ArrowLeft: -STEP, ArrowRight: STEP }[event.key];
		if (!widths || (by === undefined && event.key !== 'Home')) return;
		event.preventDefault();
		if (by === undefined) return widths.clear();
		hold();
		widths.set({ ...widths.current, [column]: (widths.current[column] ?? 0) + by });
	}
	const begin = (event: MouseEvent | TouchEvent) => {
		hold();
		ondrag?.(event);
	};
</script>

<th
	bind:this={head}
	data-column={column}
	data-from={from}
	scope="col"
	class="group/head relative {extra}"
	aria-sort={href === undefined
		? undefined
		: sorted
			? sorted === 'desc'
				? 'descending'
				: 'ascending'
			: 'none'}
>
	{#if href !== undefined}
		<a
			class="hover:underline hover:underline-offset-4"
			{href}
			data-sveltekit-noscroll
			data-sveltekit-keepfocus
			data-sveltekit-replacestate>{name}{sorted ? (sorted === 'desc' ? ' ↓' : ' ↑') : ''}</a
		>
	{:else if silent}<span class="sr-only">{name}</span>
	{:else}{name}{/if}
	{@render children?.()}
	{#if widths && ondrag}
		<!-- svelte-ignore a11y_no_noninteractive_tabindex, a11y_no_noninteractive_element_interactions -->
		<span
			role="separator"
			aria-orientation="vertical"
			aria-label="Width of {name}"
			aria-valuenow={widths.current[column] ?? 0}
			aria-valuetext={widths.current[column] ? `${widths.current[column]} px` : 'as it fits'}
			tabindex="0"
			data-arrows="always"
			class="absolute top-0 -right-0.5 h-full w-2.5 cursor-col-resize touch-none border-r-2 border-transparent group-hover/head:border-strong hover:border-ink focus-visible:border-ink max-desk:hidden print:hidden"
			onmousedown={begin}
			ontouchstart={begin}
			ondblclick={() => widths.clear()}
			onkeydown={press}
		></span>
	{/if}
</th>
