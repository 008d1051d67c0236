<script lang="ts">
	import type { Chart, ChordEvent, Span, WrittenBar } from '$core/chart';
	import type { ChordFunction } from '$core/harmony';
	import { listen } from '../listen';
	import { plural } from '$lib/words/words';
	import { InSlices } from '$lib/state/in-slices.svelte';
	import BarRow from './BarRow.svelte';
	import { spot } from './spot';

	type Props = {
		chart: Chart;
		functions: readonly (ChordFunction | null)[];
		now: ChordEvent | null;
		next: ChordEvent | null;
		/** The written bar that sounds while music plays: its index. */
		sounding?: number | null;
		onchoose: (span: Span, focusText: boolean) => void;
	};
	let { chart, functions, now, next, sounding = null, onchoose }: Props = $props();
	const ROW = 4;

	type Row = {
		readonly heading: Chart['sections'][number] | null;
		readonly bars: readonly WrittenBar[];
	};
	const rows: readonly Row[] = $derived(
		chart.sections.flatMap((section) => {
			const bars = chart.bars.slice(section.from, section.to);
			return Array.from({ length: Math.ceil(bars.length / ROW) }, (_, i) => ({
				heading: i === 0 && section.name !== null ? section : null,
				bars: bars.slice(i * ROW, (i + 1) * ROW)
			}));
		})
	);
	/** A bar played twice keeps what its chords do the first time. */
	const roles = $derived.by(() => {
		const found = new Map<number, ChordFunction>();
		for (const event of chart.events) {
			const role = functions[event.index];
			if (role && !found.has(spot(event.span))) found.set(spot(event.span), role);
		}
		return found;
	});
	/** What the rows show: a new one with every change of the chart or of what its chords do. */
	const content = $derived({ rows, roleAt: (span: Span) => roles.get(spot(span)) ?? null });
	const at = $derived(now && spot(now.span));
	const coming = $derived(next && spot(next.span));

	/** Rows that stand in sight when the screen opens. */
	const FIRST = 7;
	const slices = new InSlices<object>();
	$effect(() => slices.draw(content, content.rows.length));

	let host: HTMLElement;

	/** Arrows walk through the chords of the grid; Enter goes to the text. */
	function walk(event: KeyboardEvent): void {
		const cells = [...host.querySelectorAll<HTMLButtonElement>('button[data-part="cell"]')];
		const at = cells.indexOf(document.activeElement as HTMLButtonElement);
		const by: Record<string, number> = { ArrowLeft: -1, ArrowRight: 1 };
		let to = at + (by[event.key] ?? 0);
		if (event.key === 'ArrowUp' || event.key === 'ArrowDown') {
			const box = cells[at]?.getBoundingClientRect();
			const down = event.key === 'ArrowDown';
			const near = cells
				.map((cell, i) => ({ i, rect: cell.getBoundingClientRect() }))
				.filter(({ rect }) =>
					down ? rect.top > (box?.top ?? 0) + 8 : rect.top < (box?.top ?? 0) - 8
				)
				.sort((a, b) => {
					const distance = (rect: DOMRect) =>
						Math.abs(rect.top - (box?.top ?? 0)) * 10 + Math.abs(rect.left - (box?.left ?? 0));
					return distance(a.rect) - distance(b.rect);
				});
			to = near[0]?.i ?? at;
		}
		if (to === at && !(event.key in by)) return;
		event.preventDefault();
		cells[Math.max(0, Math.min(cells.length - 1, to))]?.focus();
	}
	export function focus(): void {
		(
			host.querySelector<HTMLButtonElement>('button[data-tense="now"]') ??
			host.querySelector<HTMLButtonElement>('button[data-part="cell"]')
		)?.focus();
	}
</script>

<div bind:this={host} {@attach listen('keydown', walk)} role="group" aria-label="Bars" data-arrows>
	{#each content.rows as { heading, bars }, i (i)}
		{#if heading}
			<p class="pt-2.5 pb-1 font-bold">
				{heading.name}{#if heading.times > 1}<small class="text-reason font-normal text-second"
						>, played {plural(heading.times, 'time')}</small
					>{/if}
			</p>
		{/if}
		<BarRow
			{bars}
			roleAt={content.roleAt}
			due={slices.holds(content, i)}
			first={i < FIRST}
			now={at}
			next={coming}
			{sounding}
			{onchoose}
		/>
	{/each}
</div>
