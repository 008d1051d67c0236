<script lang="ts">
	import { ROUTE } from '$lib/words/keys/route';
	import { SCALE_GROUPS, scaleNameText } from '$lib/words/scale-groups';
	import { scaleTitle } from '$lib/words/words';
	import { clamp } from '$core/kernel';
	import { proseSigns, signs } from '$core/chord';
	import { scaleChoices } from '$core/harmony';
	import { lastPosition } from '$core/neck';
	import { noteName } from '$core/pitch';
	import { barsLike, inBars } from '$lib/state/bar-rows';
	import { useTune } from '$lib/state/open-tune.svelte';
	import type { RoutePlan } from '$lib/state/route-plan.svelte';
	import Button from '$lib/ui/parts/Button.svelte';
	import KeyCap from '$lib/ui/parts/KeyCap.svelte';
	import PanelHead from '$lib/ui/parts/PanelHead.svelte';
	import Select from '$lib/ui/parts/Select.svelte';
	import { field } from '$lib/ui/parts/field';
	import { onMount } from 'svelte';

	/** What holds from the cursor's bar on: where the hand is, and which scale there is. */
	let { plan, onclose }: { plan: RoutePlan; onclose: () => void } = $props();
	const open = useTune();
	let close: HTMLElement | null = $state(null);
	onMount(() => close?.focus());
	const look = field();
	const line = $derived(plan.wishes.line);
	const bar = $derived(open.change?.source ?? 1);
	const chord = $derived(open.change?.to.chord ?? null);
	const symbol = $derived(open.change?.to.symbol ?? '');
	const last = $derived(open.chart.bars.length);
	const like = $derived(barsLike(open.chart, bar));

	const handHere = $derived(line.hand.findLast((entry) => entry.bar <= bar) ?? null);
	const position = $derived(handHere?.position ?? plan.wishes.position);
	/** What was said for the rest of the tune is said of some bars instead. */
	const without = <T,>(entries: readonly T[], one: T | null) =>
		entries.filter((entry) => entry !== one);
	const backHand = (at: number) => ({ bar: at, position: null });
	function moveTo(wanted: number): void {
		if (!Number.isNaN(wanted))
			plan.setHand(bar, clamp(Math.round(wanted), 1, lastPosition(open.held)));
	}
	const handEverywhere = () =>
		plan.setHands(
			inBars(without(line.hand, handHere), like, last, (at) => ({ bar: at, position }), backHand)
		);

	const scaleHere = $derived(line.scales.findLast((entry) => entry.bar <= bar) ?? null);
	const used = $derived(plan.scales[open.change?.to.index ?? 0] ?? open.scale);
	const value = $derived(
		scaleHere?.scale ? `${scaleHere.scale.tonic} ${scaleHere.scale.name}` : ''
	);
	const choices = $derived(
		chord && open.scale
			? scaleChoices(chord, open.scale, { next: open.afterNext, key: open.key, limit: 8 })
			: []
	);
	/** Tonics that a player thinks from: the chord's root and home. */
	const tonics = $derived([
		...new Set([
			...(chord ? [noteName(chord.root)] : []),
			...(open.key ? [noteName(open.key.tonic)] : [])
		])
	]);
	const options = $derived(
		[
			{ value: '', name: 'as the route says' },
			...choices.map(({ scale }) => ({
				value: `${noteName(scale.tonic)} ${scale.name}`,
				name: scaleTitle(scale, open.player.scales),
				group: `Over ${proseSigns(symbol)}`
			})),
			...tonics.flatMap((tonic) => [
				...open.player.scales.map(({ name, degrees }) => ({
					value: `${tonic} ${degrees}`,
					name: `${signs(tonic)} ${name}`,
					group: `Your own from ${signs(tonic)}`
				})),
				...SCALE_GROUPS.flatMap((group) =>
					group.scales.map((name) => ({
						value: `${tonic} ${name}`,
						name: `${signs(tonic)} ${scaleNameText(name)}`,
						group: `${group.name}, from ${signs(tonic)}`
					}))
				)
			])
		].filter((option, i, all) => all.findIndex((other) => other.value === option.value) === i)
	);
	const shown = $derived(
		value === '' || options.some((option) => option.value === value)
			? options
			: [...options, { value, name: proseSigns(value) }]
	);
	const read = (wanted: string) => {
		const [tonic, ...name] = wanted.split(' ');
		return wanted === '' ? null : { tonic, name: name.join(' ') };
	};
	const backScale = (at: number) => ({ bar: at, beat: 1, scale: null });
	const scaleEverywhere = () => {
		const scale = scaleHere?.scale ?? null;
		plan.setScales(
			inBars(
				without(line.scales, scaleHere),
				like,
				last,
				(at) => ({ bar: at, beat: 1, scale }),
				backScale
			)
		);
	};
	const own = $derived(line.hand.some((entry) => entry.bar === bar));
	const ownScale = $derived(line.scales.some((entry) => entry.bar === bar));
</script>

<section
	class="grid grid-cols-[minmax(0,1fr)] gap-2.5 pb-4"
	aria-label="Hand and scale of this bar"
>
	<PanelHead title="From bar {bar} on" note={proseSigns(symbol)}>
		<Button bind:ref={close} look="quiet" onclick={onclose} aria-label="Back to the change"
			>Back <KeyCap of={ROUTE.bar} /></Button
		>
	</PanelHead>
	{#if line.roam}
		<p class="text-reason text-second">The hand roams: the plan says where it is.</p>
	{:else}
		<label class={look.label({ row: true })}
			>The hand is in position
			<input
				class={look.control({ row: true, class: 'w-16' })}
				type="number"
				min="1"
				max={lastPosition(open.held)}
				value={position}
				onchange={(event) => moveTo(event.currentTarget.valueAsNumber)}
			/></label
		>
		<div class="flex flex-wrap gap-2">
			{#if like.length > 1}
				<Button onclick={handEverywhere}>Position {position} for every {proseSigns(symbol)}</Button>
			{/if}
			{#if own}
				<Button look="quiet" onclick={() => plan.setHands(line.hand.filter((e) => e.bar !== bar))}
					>Goes on as before</Button
				>
			{:else if handHere?.position != null}
				<Button look="quiet" onclick={() => plan.setHand(bar, null)}
					>Back to position {plan.wishes.position}</Button
				>
			{/if}
		</div>
	{/if}
	<Select
		label="The scale is"
		finds
		options={shown}
		{value}
		onchange={(wanted) => plan.setScaleFrom(bar, read(wanted))}
	/>
	{#if used}
		<p class="text-reason text-second">
			{scaleTitle(used, open.player.scales)}: {used.notes.map(({ name }) => signs(name)).join(' ')}
		</p>
	{/if}
	<div class="flex flex-wrap gap-2">
		{#if like.length > 1 && scaleHere?.scale}
			<Button onclick={scaleEverywhere}>This scale for every {proseSigns(symbol)}</Button>
		{/if}
		{#if ownScale}
			<Button look="quiet" onclick={() => plan.setScales(line.scales.filter((e) => e.bar !== bar))}
				>Goes on as before</Button
			>
		{/if}
	</div>
	<p class="text-reason text-second">
		It holds until the next box in the rows over the strip; drag a box’s end, or move it with the
		arrows.
	</p>
</section>
