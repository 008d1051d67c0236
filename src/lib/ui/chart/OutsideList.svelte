<script lang="ts">
	import Empty from '$lib/ui/parts/Empty.svelte';
	import PanelHead from '$lib/ui/parts/PanelHead.svelte';
	import { type Notation, shortestMove } from '$core/pitch';
	import { prefs } from '$lib/state/prefs.svelte';
	import type { Chart } from '$core/chart';
	import { proseSigns, type Key } from '$core/chord';
	import { chordAfter, outsideTones } from '$core/harmony';

	/** The tones that leave the key, each with the bars where it sounds. */
	let { chart, key }: { chart: Chart; key: Key } = $props();
	const MOST = 6;
	/** Where a tone goes on: to the tone of the next chord a semitone away, or it stays. */
	function leads(index: number, pc: number): string | null {
		const next = chordAfter(chart, index);
		if (!next) return null;
		const near = next.tones
			.map((tone) => ({ tone, move: shortestMove(pc, tone.pc) }))
			.filter(({ move }) => Math.abs(move) <= 1)
			.sort((a, b) => Math.abs(b.move) - Math.abs(a.move) || b.move - a.move)[0];
		if (!near) return null;
		const arrow = near.move === 0 ? '' : near.move > 0 ? '↗ ' : '↘ ';
		return near.move === 0 ? 'stays' : `${arrow}leads to ${prefs.name(near.tone.name)}`;
	}
	const rows = $derived.by(() => {
		const found = new Map<
			Notation,
			{ bars: Set<number>; symbols: Set<string>; leads: string | null }
		>();
		for (const event of chart.events) {
			if (!event.chord || event.pass > 1) continue;
			for (const tone of outsideTones(event.chord, key)) {
				if (!tone.essential) continue;
				const row = found.get(tone.name) ?? {
					bars: new Set(),
					symbols: new Set(),
					leads: leads(event.index, tone.pc)
				};
				row.bars.add(event.bar);
				row.symbols.add(event.symbol);
				found.set(tone.name, row);
			}
		}
		return [...found].map(([name, { bars, symbols, leads }]) => ({
			name,
			leads,
			bars: [...bars],
			symbols: [...symbols]
		}));
	});
	const list = (parts: readonly (string | number)[]) =>
		parts.length > 3
			? `${parts.slice(0, 3).join(', ')} …`
			: parts.join(', ').replace(/, ([^,]*)$/, ' and $1');
</script>

<section>
	<PanelHead title="From outside home" />
	{#if rows.length === 0}
		<Empty>Every chord tone lies in the key.</Empty>
	{/if}
	<ul>
		{#each rows.slice(0, MOST) as row (row.name)}
			<li class="grid grid-cols-[40px_1fr_auto] items-baseline border-b border-hair py-1.5">
				<b class="font-display text-head font-extrabold">{prefs.name(row.name)}</b>
				<small class="text-reason text-second"
					>{row.bars.length > 1 ? 'bars' : 'bar'}
					{list(row.bars)}, {list(row.symbols.map((symbol) => proseSigns(symbol)))}</small
				>
				{#if row.leads}<span class="text-reason">{row.leads}</span>{/if}
			</li>
		{/each}
	</ul>
	{#if rows.length > MOST}<p class="pt-2 text-reason text-second">
			and {rows.length - MOST} more
		</p>{/if}
</section>
