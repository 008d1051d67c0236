<script lang="ts">
	import { fetched } from '$lib/state/fetched';
	import { signs } from '$core/chord';
	import type { NeckCoverage } from '$lib/state/neck-coverage.svelte';
	import { useTune } from '$lib/state/open-tune.svelte';
	import { mode } from 'mode-watcher';
	import { onMount } from 'svelte';
	import { fittingSize } from '$lib/draw/chord-width';
	import ChordSymbol from '../ChordSymbol.svelte';
	import { densities } from './density';
	import type { HeatChart } from './heat-chart';

	/** How each chord lies in each place: drawn under the strip of places, and as a table for ears. */
	type Props = {
		coverage: NeckCoverage;
		/** Where a wire lies along the strip, 0 … 1 from its left end. */
		along: (wire: number) => number;
	};
	let { coverage, along }: Props = $props();
	const open = useTune();
	/** More rows than this are no picture; those that sound longest are kept. */
	const MOST_ROWS = 24;
	const ROW = 13;

	/** Indices of the chords shown, in order of appearance. */
	const rows = $derived.by(() => {
		const all = coverage.chords.map((chord, i) => ({ chord, i }));
		if (all.length <= MOST_ROWS) return all;
		const beats = new Map<string, number>();
		for (const { symbol, durationTicks } of open.chart.events) {
			beats.set(symbol, (beats.get(symbol) ?? 0) + durationTicks);
		}
		const worth = (entry: (typeof all)[number]) => beats.get(entry.chord.symbol) ?? 0;
		const kept = [...all].sort((a, b) => worth(b) - worth(a)).slice(0, MOST_ROWS);
		return kept.sort((a, b) => a.i - b.i);
	});
	const cells = $derived.by(() => {
		const flat = coverage.rows.flatMap((entry) =>
			rows.map(({ i }, row) => ({ position: entry.position, row, score: entry.chords[i] ?? 0 }))
		);
		const steps = densities(flat.map((cell) => cell.score));
		return flat.map(({ position, row }, k) => {
			const [a, b] = [along(position - 1), along(position)];
			return { x0: Math.min(a, b), x1: Math.max(a, b), row, step: steps[k], position };
		});
	});

	let host: HTMLElement;
	let width = $state(0);
	let chart: HeatChart | null = $state.raw(null);
	// The charting library is large: it comes when the screen has nothing better to do.
	onMount(() => {
		let gone = false;
		const draw = async () => {
			const { heatChart } = await fetched(() => import('./heat-chart'));
			if (!gone) chart = heatChart(host, (position) => open.moveTo(position));
		};
		const idle = typeof requestIdleCallback === 'function';
		const waiting = idle
			? requestIdleCallback(() => void draw(), { timeout: 1000 })
			: setTimeout(() => void draw(), 200);
		return () => {
			gone = true;
			if (idle) cancelIdleCallback(waiting as number);
			else clearTimeout(waiting);
			chart?.dispose();
		};
	});
	$effect(() => {
		const drawn = chart;
		const [fields, count] = [cells, Math.max(1, rows.length)];
		// Colours come from the theme, which has changed by the next frame.
		void mode.current;
		const frame = requestAnimationFrame(() => {
			const style = getComputedStyle(host);
			const ink = [0, 1, 2, 3, 4].map((step) => style.getPropertyValue(`--density-${step}`).trim());
			drawn?.draw(fields, count, ink);
		});
		return () => cancelAnimationFrame(frame);
	});
	$effect(() => {
		void width;
		void rows.length;
		chart?.resize();
	});
	const tense = (symbol: string) =>
		symbol === open.now?.symbol ? 'now' : symbol === open.next?.symbol ? 'next' : '';
	const percent = (value: number) => `${Math.round(100 * value)} %`;
</script>

<ul
	data-part="chords"
	class="col-start-1 row-start-2 pr-2 text-right text-reason in-data-left:col-start-3 in-data-left:py-0 in-data-left:pr-0 in-data-left:pl-2 in-data-left:text-left max-tablet:col-start-1 max-tablet:row-start-3 max-tablet:py-0 max-tablet:pr-2 max-tablet:pl-0 max-tablet:text-right"
	aria-hidden="true"
	style="--row:{ROW}px"
>
	{#each rows as { chord } (chord.symbol)}
		<li
			class="flex h-(--row) items-center justify-end in-data-left:justify-start now:font-bold now:text-now-ink next:font-bold next:text-next-ink"
			data-tense={tense(chord.symbol)}
			style="font-size:{fittingSize(chord, 48, [13, 12, 11, 10])}px"
		>
			<ChordSymbol {chord} plain />
		</li>
	{/each}
</ul>
<div
	data-part="heat"
	class="col-start-2 row-start-2 min-w-0 cursor-pointer overflow-hidden max-tablet:col-start-2 max-tablet:row-start-3"
	style="height:{ROW * Math.max(1, rows.length)}px"
	bind:this={host}
	bind:clientWidth={width}
	role="img"
	aria-label="How each chord lies in each place; the table after it has the figures"
></div>
<p
	class="pointer-events-none col-start-2 row-start-2 w-19 justify-self-end text-count text-second in-data-left:justify-self-start max-lap:hidden"
	aria-hidden="true"
>
	<span class="flex justify-between gap-px">
		{#each [0, 1, 2, 3, 4] as step (step)}<i
				class="h-2.75 flex-1"
				style="background:var(--density-{step})"
			></i>{/each}
	</span>
	<span class="flex justify-between gap-px"><span>poor</span><span>best</span></span>
</p>
{#if coverage.done}
	<div class="sr-only">
		<table>
			<caption>How each chord lies in each place</caption>
			<thead>
				<tr
					><th scope="col">Place</th><th scope="col">Whole chart</th
					>{#each rows as { chord } (chord.symbol)}<th scope="col">{signs(chord.symbol)}</th
						>{/each}</tr
				>
			</thead>
			<tbody>
				{#each coverage.rows as entry, k (entry.position)}
					<tr>
						<th scope="row">{entry.position}</th>
						<td>{percent(coverage.ranked[k].score)}</td>
						{#each rows as { chord, i } (chord.symbol)}<td>{percent(entry.chords[i] ?? 0)}</td
							>{/each}
					</tr>
				{/each}
			</tbody>
		</table>
	</div>
{/if}
