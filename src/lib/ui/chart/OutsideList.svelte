<script lang="ts">
	import type { Chart } from '$core/chart';
	import { signs, type Key } from '$core/chord';
	import { outsideTones } from '$core/harmony';

	/** The tones that leave the key, each with the bars where it sounds. */
	let { chart, key }: { chart: Chart; key: Key } = $props();
	const MOST = 6;
	const rows = $derived.by(() => {
		const found = new Map<string, { bars: Set<number>; symbols: Set<string> }>();
		for (const event of chart.events) {
			if (!event.chord || event.pass > 1) continue;
			for (const tone of outsideTones(event.chord, key)) {
				if (!tone.essential) continue;
				const row = found.get(tone.name) ?? { bars: new Set(), symbols: new Set() };
				row.bars.add(event.bar);
				row.symbols.add(event.symbol);
				found.set(tone.name, row);
			}
		}
		return [...found].map(([name, { bars, symbols }]) => ({
			name,
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
	<div class="section-head"><h2>From outside home</h2></div>
	{#if rows.length === 0}
		<p>Every chord tone lies in the key.</p>
	{/if}
	<ul>
		{#each rows.slice(0, MOST) as row (row.name)}
			<li>
				<b>{signs(row.name)}</b>
				<span>{row.bars.length > 1 ? 'bars' : 'bar'} {list(row.bars)}</span>
				<small>{list(row.symbols.map((symbol) => signs(symbol)))}</small>
			</li>
		{/each}
	</ul>
	{#if rows.length > MOST}<p>and {rows.length - MOST} more</p>{/if}
</section>

<style>
	li {
		display: grid;
		grid-template-columns: 40px 1fr auto;
		align-items: baseline;
		padding: 6px 0;
		border-bottom: 1px solid var(--hair);
	}
	b {
		font-family: var(--font-display);
		font-weight: 800;
		font-size: 18px;
	}
	small,
	p {
		font-size: 13px;
		color: var(--second);
	}
	p {
		padding-top: 8px;
	}
</style>
