<script lang="ts">
	import { fretWire, highestFret, lastPosition } from '$core/neck';
	import { signs } from '$core/chord';
	import type { NeckCoverage } from '$lib/state/neck-coverage.svelte';
	import { useTune } from '$lib/state/open-tune.svelte';
	import { mode } from 'mode-watcher';
	import { onMount } from 'svelte';
	import { fittingSize } from '$lib/draw/chord-width';
	import ChordSymbol from '../ChordSymbol.svelte';
	import { densities } from './density';
	import type { HeatChart } from './heat-chart';
	import PlaceStrip from './PlaceStrip.svelte';

	/** Where the chart lies: the strip of places for the whole chart, and each chord in each place. */
	type Props = {
		coverage: NeckCoverage;
		planned: readonly number[];
		leftHanded: boolean;
		/** Columns of equal width: the whole neck on a phone. */
		narrow: boolean;
	};
	let { coverage, planned, leftHanded, narrow }: Props = $props();
	const open = useTune();
	/** More rows than this are no picture; those that sound longest are kept. */
	const MOST_ROWS = 24;
	const ROW = 13;

	const last = $derived(lastPosition(open.instrument));
	const total = $derived(fretWire(highestFret(open.instrument)));
	const edge = (wire: number) => (narrow ? Math.min(1, wire / last) : fretWire(wire) / total);
	const mirrored = (share: number) => (leftHanded ? 1 - share : share);
	const frame = $derived.by(() => {
		const [a, b] = [edge(open.position - 1), edge(open.position)];
		return { left: 100 * (leftHanded ? 1 - b : a), width: 100 * (b - a) };
	});

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
			const [a, b] = [mirrored(edge(position - 1)), mirrored(edge(position))];
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
			const { heatChart } = await import('./heat-chart');
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

<div class="map" class:left={leftHanded}>
	<span class="label head">Place</span>
	<div class="strip"><PlaceStrip ranked={coverage.ranked} {planned} {leftHanded} /></div>
	<ul class="label chords" aria-hidden="true" style="--row:{ROW}px">
		{#each rows as { chord } (chord.symbol)}
			<li
				class={tense(chord.symbol)}
				style="font-size:{fittingSize(chord, 48, [13, 12, 11, 10])}px"
			>
				<ChordSymbol {chord} quiet />
			</li>
		{/each}
	</ul>
	<div
		class="heat"
		style="height:{ROW * Math.max(1, rows.length)}px"
		bind:this={host}
		bind:clientWidth={width}
		role="img"
		aria-label="How each chord lies in each place; the table after it has the figures"
	></div>
	<div class="frames" aria-hidden="true">
		<i class="frame" style="left:{frame.left}%;width:{frame.width}%"></i>
	</div>
	<p class="legend" aria-hidden="true">
		<span class="steps">
			{#each [0, 1, 2, 3, 4] as step (step)}<i style="background:var(--density-{step})"></i>{/each}
		</span>
		<span class="ends"><span>poor</span><span>best</span></span>
	</p>
</div>
{#if coverage.done}
	<div class="sr">
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

<style>
	.map {
		position: relative;
		display: grid;
		grid-template-columns: 58px minmax(0, 1fr) 2px;
		row-gap: 5px;
	}
	.map > * {
		grid-column: 2;
	}
	.label {
		grid-column: 1;
		padding-right: 8px;
		text-align: right;
		font-size: 13px;
	}
	.head {
		font-weight: 700;
		align-self: center;
	}
	.chords li {
		display: flex;
		align-items: center;
		justify-content: flex-end;
		height: var(--row);
	}
	.chords :global(.chord) {
		font-family: var(--font-sans);
		font-weight: 400;
	}
	.chords .now :global(.chord) {
		color: var(--now-ink);
		font-weight: 700;
	}
	.chords .next :global(.chord) {
		color: var(--next-ink);
		font-weight: 700;
	}
	.strip {
		grid-row: 1;
	}
	.chords,
	.heat {
		grid-row: 2;
	}
	.heat {
		cursor: pointer;
		min-width: 0;
		overflow: hidden;
	}
	.frames {
		grid-row: 1 / 3;
		position: relative;
		margin: -4px 0 -3px;
		pointer-events: none;
	}
	.frame {
		position: absolute;
		top: 0;
		bottom: 0;
		border: 3px solid var(--ink);
	}
	.legend {
		grid-row: 2;
		justify-self: end;
		width: 76px;
		font-size: 12px;
		color: var(--second);
		pointer-events: none;
	}
	.left .legend {
		justify-self: start;
	}
	.steps,
	.ends {
		display: flex;
		justify-content: space-between;
		gap: 1px;
	}
	.steps i {
		flex: 1;
		height: 11px;
	}
	.left {
		grid-template-columns: 2px minmax(0, 1fr) 58px;
	}
	.left .chords li {
		justify-content: flex-start;
	}
	.left .label {
		grid-column: 3;
		text-align: left;
		padding: 0 0 0 8px;
	}
	@media (max-width: 960px) {
		.legend {
			display: none;
		}
	}
	@media (max-width: 640px) {
		.map,
		.left {
			grid-template-columns: 52px minmax(0, 1fr);
		}
		.map .strip,
		.map .head {
			grid-column: 1 / -1;
			text-align: left;
		}
		.map .head {
			grid-row: 1;
		}
		.strip {
			grid-row: 2;
		}
		.map .label {
			grid-column: 1;
			text-align: right;
			padding: 0 8px 0 0;
		}
		.chords,
		.heat {
			grid-row: 3;
		}
		.map .heat {
			grid-column: 2;
		}
		.map .frames {
			grid-row: 3;
			grid-column: 2;
		}
	}
</style>
