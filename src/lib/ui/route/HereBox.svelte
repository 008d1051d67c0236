<script lang="ts">
	import Select from '$lib/ui/parts/Select.svelte';
	import { proseSigns } from '$core/chord';
	import { scaleChoices } from '$core/harmony';
	import { noteName } from '$core/pitch';
	import { leanOf } from '$core/route';
	import { useTune } from '$lib/state/open-tune.svelte';
	import type { RoutePlan } from '$lib/state/route-plan.svelte';
	import Choice from '$lib/ui/parts/Choice.svelte';
	import { scaleTitle } from '$lib/words/words';

	/** Rest or lean at one change with the curve over the whole route, and the scale over its chord. */
	let { plan }: { plan: RoutePlan } = $props();
	const open = useTune();
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

<section class="grid gap-1.5 pt-1">
	<Choice
		label="Land at rest, or leaning on"
		options={WISHES}
		value={plan.leanWish(open.cursor) ?? 'free'}
		onchange={(wish) => plan.setLean(open.cursor, wish === 'free' ? null : wish)}
	/>
	{#if plan.line.length > 0 && chord}
		<Select
			label="Notes over {proseSigns(open.change?.to.symbol ?? '')}"
			row
			options={[
				{ value: '', name: 'as the route says' },
				...options,
				...(set && !options.some((option) => option.value === value)
					? [{ value, name: proseSigns(value) }]
					: [])
			]}
			{value}
			onchange={choose}
		/>
	{/if}
	<svg
		class="block w-full"
		viewBox="0 0 {WIDTH} {HEIGHT}"
		role="img"
		aria-label="How much each landing leans: low is at rest, high wants to move on"
	>
		<line class="stroke-hair" x1="0" x2={WIDTH} y1={HEIGHT - 4} y2={HEIGHT - 4} />
		<path class="fill-none stroke-second stroke-[1.6] join-round" d={curve.join('')} />
		{#if here}<circle class="fill-next-line" cx={here.x} cy={here.y} r="4" />{/if}
	</svg>
</section>
