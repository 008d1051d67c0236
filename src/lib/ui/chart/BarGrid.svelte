<script lang="ts">
	import type { Chart, ChordEvent, Span, WrittenBar } from '$core/chart';
	import type { ChordFunction } from '$core/harmony';
	import { listen } from '../listen';
	import { plural } from '$lib/words/words';
	import BarCell from './BarCell.svelte';

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

	const rows = $derived(
		chart.sections.flatMap((section) => {
			const bars = chart.bars.slice(section.from, section.to);
			if (bars.length === 0) return [];
			const lines: (readonly WrittenBar[])[] = [];
			for (let i = 0; i < bars.length; i += ROW) lines.push(bars.slice(i, i + ROW));
			return [{ section, lines }];
		})
	);
	const spot = (span: Span) => span.line * 100_000 + span.column;
	/** A bar played twice keeps what its chords do the first time. */
	const roles = $derived.by(() => {
		const found = new Map<number, ChordFunction>();
		for (const event of chart.events) {
			const role = functions[event.index];
			if (role && !found.has(spot(event.span))) found.set(spot(event.span), role);
		}
		return found;
	});
	const roleAt = (span: Span) => roles.get(spot(span)) ?? null;

	let host: HTMLElement;

	/** Arrows walk through the chords of the grid; Enter goes to the text. */
	function walk(event: KeyboardEvent): void {
		const cells = [...host.querySelectorAll<HTMLButtonElement>('button.cell')];
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
			host.querySelector<HTMLButtonElement>('button.now') ??
			host.querySelector<HTMLButtonElement>('button.cell')
		)?.focus();
	}
</script>

<div bind:this={host} {@attach listen('keydown', walk)} role="group" aria-label="Bars">
	{#each rows as { section, lines } (section.from)}
		{#if section.name}
			<p class="section">
				{section.name}{#if section.times > 1}<small>, played {plural(section.times, 'time')}</small
					>{/if}
			</p>
		{/if}
		{#each lines as bars (bars[0].number)}
			<div class="row">
				{#each bars as bar (bar.number)}
					<BarCell {bar} {roleAt} {now} {next} sounding={bar.number - 1 === sounding} {onchoose} />
				{/each}
			</div>
		{/each}
	{/each}
</div>

<style>
	.section {
		font-weight: 700;
		padding: 10px 0 4px;
	}
	.section small {
		font-size: 13px;
		font-weight: 400;
		color: var(--second);
	}
	.row {
		display: grid;
		grid-template-columns: repeat(4, minmax(0, 1fr));
		border-top: 2px solid var(--ink);
		margin-bottom: 8px;
	}
	@media (max-width: 640px) {
		.row {
			grid-template-columns: repeat(2, minmax(0, 1fr));
		}
	}
</style>
