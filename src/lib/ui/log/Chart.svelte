<script lang="ts">
	import { fetched } from '$lib/state/fetched';
	import { mode } from 'mode-watcher';
	import { onMount } from 'svelte';
	import type { LogChart, LogOption } from './log-charts';
	import type { Inks } from './log-options';

	/** A chart that is loaded when it is seen, drawn in the inks of the theme. Its table is the caller's. */
	type Props = { option: (inks: Inks) => LogOption; height: number; label: string };
	let { option, height, label }: Props = $props();
	let host: HTMLElement | undefined = $state();
	let chart: LogChart | null = $state.raw(null);

	onMount(() => {
		let gone = false;
		const resized = new ResizeObserver(() => chart?.resize());
		void fetched(() => import('./log-charts')).then(({ logChart }) => {
			if (gone || !host) return;
			chart = logChart(host);
			resized.observe(host);
		});
		return () => {
			gone = true;
			resized.disconnect();
			chart?.dispose();
		};
	});

	function inks(): Inks {
		const style = getComputedStyle(document.documentElement);
		const of = (name: string) => style.getPropertyValue(name).trim();
		const resolve = (name: string) => {
			const value = of(name);
			const inner = /^var\((--[\w-]+)\)$/.exec(value);
			return inner ? of(inner[1]) : value;
		};
		const steps = [0, 1, 2, 3, 4];
		return {
			ink: of('--ink'),
			second: of('--second'),
			hair: of('--hair'),
			strong: of('--strong'),
			paper: of('--paper'),
			density: steps.map((step) => of(`--density-${step}`)),
			onDensity: steps.map((step) => (step < 3 ? of('--ink') : resolve(`--on-density-${step}`))),
			font: getComputedStyle(document.body).fontFamily
		};
	}
	$effect(() => {
		void mode.current;
		if (!chart) return;
		const drawn = chart;
		const make = option;
		// The theme's class is set in the same turn: colours are read after it.
		queueMicrotask(() => drawn.draw(make(inks())));
	});
</script>

<div bind:this={host} style:height="{height}px" role="img" aria-label={label}></div>
