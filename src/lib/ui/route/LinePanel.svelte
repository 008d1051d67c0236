<script lang="ts">
	import { ROUTE } from '$lib/words/keys/route';
	import Check from '$lib/ui/parts/Check.svelte';
	import Select from '$lib/ui/parts/Select.svelte';
	import Slider from '$lib/ui/parts/Slider.svelte';
	import PanelHead from '$lib/ui/parts/PanelHead.svelte';
	import Button from '$lib/ui/parts/Button.svelte';
	import { withHome } from '$lib/words/words';
	import { GRIDS, SCALE_PLANS, type Grid, type ScalePlan, type Style } from '$core/route';
	import { prefs } from '$lib/state/prefs.svelte';
	import { useTune } from '$lib/state/open-tune.svelte';
	import type { RoutePlan } from '$lib/state/route-plan.svelte';
	import { STYLE_NAMES } from '$lib/words/styles';
	import { onMount } from 'svelte';
	import Choice from '$lib/ui/parts/Choice.svelte';
	import KeyCap from '$lib/ui/parts/KeyCap.svelte';
	import SlideChoice from '../SlideChoice.svelte';
	import { GRID_WORDS, SCALE_PLAN_WORDS } from './line-words';
	import LineHand from './LineHand.svelte';
	import LineRhythm from './LineRhythm.svelte';
	import LineTimes from './LineTimes.svelte';

	/** How the route is made: what it lands on, and how the way between is filled. */
	let { plan, onclose }: { plan: RoutePlan; onclose: () => void } = $props();
	const open = useTune();
	const line = $derived(plan.wishes.line);
	const filled = $derived(line.grid !== 'targets');
	let close: HTMLElement | null = $state(null);
	onMount(() => close?.focus());

	const DEGREES = [
		['one', 'I'],
		['four', 'IV'],
		['five', 'V']
	] as const;
	function setAlternate(degree: 'one' | 'four' | 'five', value: string): void {
		const wanted = value === 'major' || value === 'minor' ? value : null;
		plan.setLine({ alternate: { ...line.alternate, [degree]: wanted } });
	}
	const styles = $derived(
		Object.entries(STYLE_NAMES).map(([value, { name, says }]) => ({
			...{ value: value as Style, name, says: withHome(says, open.key) }
		}))
	);
	const grids = GRIDS.map((value) => ({ value, name: GRID_WORDS[value] }));
	const scales = $derived(
		SCALE_PLANS.map((value) => {
			const { name, says } = SCALE_PLAN_WORDS[value];
			return { value, name, says: withHome(says, open.key) };
		})
	);
	const directions = [
		{ value: 'free', name: 'Either way' },
		{ value: 'up', name: 'Rising' },
		{ value: 'down', name: 'Falling' }
	] as const;
	const pickings = [
		{ value: 'none', name: 'Not shown' },
		{ value: 'alternate', name: 'Alternate' },
		{ value: 'economy', name: 'Economy' }
	] as const;
	const sections = $derived([
		...new Set(open.chart.played.flatMap((bar) => (bar.section ? [bar.section] : [])))
	]);

	const ALTERNATES = [
		{ value: '', name: 'whichever fits' },
		{ value: 'major', name: 'major pentatonic' },
		{ value: 'minor', name: 'minor pentatonic' }
	] as const;
</script>

<section class="grid grid-cols-[minmax(0,1fr)] gap-2.5 pb-4" aria-label="How the route is made">
	<PanelHead title="How it is made">
		<Button bind:ref={close} look="quiet" onclick={onclose} aria-label="Back to the change"
			>Back <KeyCap of={ROUTE.making} /></Button
		>
	</PanelHead>
	<Choice
		label="Land on"
		options={styles}
		value={plan.wishes.style}
		onchange={(style) => plan.setStyle(style)}
		list
	/>
	<LineTimes {plan} />
	<Choice
		label="Notes between"
		options={grids}
		value={line.grid}
		onchange={(grid: Grid) => plan.setLine({ grid })}
	/>
	{#if filled}
		<LineRhythm {plan} {sections} />
		<Choice
			label="Notes from"
			options={scales}
			value={line.scalePlan}
			onchange={(scalePlan: ScalePlan) => plan.setLine({ scalePlan })}
			list
		/>
		{#if line.scalePlan === 'alternate'}
			<div class="grid gap-1 text-reason text-second">
				{#each DEGREES as [degree, numeral] (degree)}
					<Select
						label="{numeral} takes"
						row
						options={ALTERNATES}
						value={line.alternate[degree] ?? ''}
						onchange={(scale) => setAlternate(degree, scale)}
					/>
				{/each}
				<Check
					checked={line.alternate.same !== true}
					onchange={(on) => plan.setLine({ alternate: { ...line.alternate, same: !on } })}
					>They change places every chorus</Check
				>
			</div>
		{/if}
		{#if line.scalePlan !== 'arpeggio'}
			<Check checked={line.only} onchange={(on) => plan.setLine({ only: on })}
				>Only these notes, landings too</Check
			>
		{/if}
		<Slider
			label="Chromatic approaches"
			min={0}
			max={1}
			step={0.1}
			value={line.spice}
			said={line.spice === 0 ? 'none' : `${Math.round(100 * line.spice)} %`}
			oncommit={(spice) => plan.setLine({ spice })}
		/>
		<Choice
			label="Direction"
			options={directions}
			value={line.direction ?? 'free'}
			onchange={(direction) => plan.setLine({ direction: direction === 'free' ? null : direction })}
		/>
		<Check checked={line.anticipate} onchange={(on) => plan.setLine({ anticipate: on })}
			>Some landings come early and ring over</Check
		>
	{/if}
	<SlideChoice value={line.slide} onchange={(slide) => plan.setHolding({ slide })} />
	<LineHand {plan} {sections} />
	<Choice
		label="Strokes of the pick"
		options={pickings}
		value={prefs.current.picking}
		onchange={(picking) => prefs.set('picking', picking)}
	/>
	<Check checked={prefs.current.hearNotes} onchange={() => prefs.toggle('hearNotes')}
		>Hear a note when it is touched</Check
	>
</section>
