<script lang="ts">
	import { proseSigns } from '$core/chord';
	import { scaleChoices } from '$core/harmony';
	import { noteName } from '$core/pitch';
	import { leanOf } from '$core/route';
	import { useTune } from '$lib/state/open-tune.svelte';
	import type { RoutePlan } from '$lib/state/route-plan.svelte';
	import Choice from '../Choice.svelte';
	import { scaleTitle } from '$lib/words/words';

	/** Rest or lean at one change with the curve over the whole route, and the scale over its chord. */
	let { plan }: { plan: RoutePlan } = $props();
	const open = useTune();
	const id = $props.id();
	const WISHES = [
		{ value: 'free', name: 'As it falls' },
		{ value: 'rest', name: 'Rest' },
		{ value: 'lean', name: 'Lean' }
	] as const;
	const WIDTH = 304;
	const HEIGHT = 30;
	const x = (change: number) =>
		4 + (change / Math.max(1, open.chart.changes.length - 1)) * (WIDTH - 8);
	const points = $derived(
		plan.targets.map((target) => ({
			change: target.change,
			x: x(target.change),
			y: HEIGHT - 4 - leanOf(target.role) * (HEIGHT - 8)
		}))
	);
	const curve = $derived(
		points.map((point, i) => `${i === 0 ? 'M' : 'L'}${point.x.toFixed(1)},${point.y.toFixed(1)}`)
	);
	const here = $derived(points.find((point) => point.change === open.cursor));
	const chord = $derived(open.change?.to.chord ?? null);
	const choices = $derived(
		chord && open.scale
			? scaleChoices(chord, open.scale, { next: open.afterNext, key: open.key, limit: 7 })
			: []
	);
	const set = $derived(plan.scaleWish(open.cursor));
	const value = $derived(set ? `${set.tonic} ${set.name}` : '');
	const options = $derived(
		choices.map(({ scale }) => ({
			value: `${noteName(scale.tonic)} ${scale.name}`,
			name: scaleTitle(scale, open.player.scales)
		}))
	);
	function choose(wanted: string): void {
		const [tonic, ...name] = wanted.split(' ');
		plan.setScale(open.cursor, wanted === '' ? null : { tonic, name: name.join(' ') });
	}
</script>

<section class="here">
	<Choice
		label="Land at rest, or leaning on"
		options={WISHES}
		value={plan.leanWish(open.cursor) ?? 'free'}
		onchange={(wish) => plan.setLean(open.cursor, wish === 'free' ? null : wish)}
	/>
	{#if plan.line.length > 0 && chord}
		<label for={id}
			>Notes over {proseSigns(open.change?.to.symbol ?? '')}
			<select {id} {value} onchange={(event) => choose(event.currentTarget.value)}>
				<option value="">as the route says</option>
				{#each options as option (option.value)}<option value={option.value}>{option.name}</option
					>{/each}
				{#if set && !options.some((option) => option.value === value)}
					<option {value}>{proseSigns(value)}</option>
				{/if}
			</select></label
		>
	{/if}
	<svg
		viewBox="0 0 {WIDTH} {HEIGHT}"
		role="img"
		aria-label="How much each landing leans: low is at rest, high wants to move on"
	>
		<line class="rest" x1="0" x2={WIDTH} y1={HEIGHT - 4} y2={HEIGHT - 4} />
		<path d={curve.join('')} />
		{#if here}<circle cx={here.x} cy={here.y} r="4" />{/if}
	</svg>
</section>

<style>
	.here {
		display: grid;
		gap: 6px;
		padding-top: 4px;
	}
	svg {
		width: 100%;
		display: block;
	}
	path {
		fill: none;
		stroke: var(--second);
		stroke-width: 1.6;
		stroke-linejoin: round;
	}
	circle {
		fill: var(--next-line);
	}
	.rest {
		stroke: var(--hair);
	}
	label {
		display: flex;
		gap: 8px;
		align-items: center;
		justify-content: space-between;
		font-size: 13px;
		color: var(--second);
	}
	select {
		border: 1.5px solid var(--ink);
		background: var(--paper);
		color: var(--ink);
		min-height: 32px;
		min-width: 0;
		max-width: 190px;
		padding: 0 8px;
		font-size: 14px;
	}
</style>
