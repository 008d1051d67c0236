<script lang="ts">
	import { field } from '$lib/ui/parts/field';
	import Button from '$lib/ui/parts/Button.svelte';
	import { clamp } from '$core/kernel';
	import { lastPosition } from '$core/neck';
	import { useTune } from '$lib/state/open-tune.svelte';
	import type { RoutePlan } from '$lib/state/route-plan.svelte';
	import Choice from '$lib/ui/parts/Choice.svelte';

	/** Where the hand stays and how it moves, and the places that it leaves out. */
	let { plan, sections }: { plan: RoutePlan; sections: readonly string[] } = $props();
	const open = useTune();
	const line = $derived(plan.wishes.line);

	const hands = [
		{ value: 'rests', name: 'One place' },
		{ value: 'block', name: 'With the root' },
		{ value: 'stay', name: 'Seldom' },
		{ value: 'climb', name: 'Climb' },
		{ value: 'descend', name: 'Descend' }
	] as const;
	function setHand(hand: (typeof hands)[number]['value']): void {
		const roams = hand !== 'rests' && hand !== 'block';
		const roam = roams ? { frets: line.roam?.frets ?? 5, wish: hand } : null;
		plan.setHolding({ roam, block: hand === 'block' });
	}
	const placeOf = (section: string) =>
		line.places.find((entry) => entry.section === section)?.position ?? null;
	function setPlace(section: string, wanted: number): void {
		const position = clamp(Math.round(wanted), 1, lastPosition(open.held));
		plan.setPlace(section, Number.isNaN(wanted) ? null : position);
	}

	const look = field();
</script>

<Choice
	label="The hand moves"
	options={hands}
	value={line.roam ? (line.roam.wish ?? 'stay') : line.block ? 'block' : 'rests'}
	onchange={setHand}
/>
{#if line.roam}
	<label class="flex items-center gap-2 text-reason whitespace-nowrap text-second"
		>Moves at most
		<input
			class={look.control({ row: true, class: 'w-14' })}
			type="number"
			min="1"
			max="12"
			value={line.roam.frets}
			onchange={(event) => {
				const frets = clamp(Math.round(event.currentTarget.valueAsNumber || 5), 1, 12);
				plan.setLine({ roam: { frets, wish: line.roam?.wish ?? 'stay' } });
			}}
		/> frets at a time</label
	>
{:else if sections.length > 1 && !line.block}
	<div class="grid gap-1 text-reason text-second">
		<span>A place of its own for a section; empty is position {plan.wishes.position}</span>
		{#each sections as section (section)}
			<label class={look.label({ row: true })}
				>{section}
				<input
					class={look.control({ row: true, class: 'w-18' })}
					type="number"
					min="1"
					max={lastPosition(open.held)}
					value={placeOf(section)}
					placeholder={String(plan.wishes.position)}
					aria-label="Position in {section}"
					onchange={(event) => setPlace(section, event.currentTarget.valueAsNumber)}
				/></label
			>
		{/each}
	</div>
{/if}
{#if plan.wishes.anchors.forbid.length > 0}
	<div class="grid justify-items-start gap-1 text-reason text-second">
		<span>Left out of every landing</span>
		{#each plan.wishes.anchors.forbid as place (`${place.string}-${place.fret}`)}
			<Button look="quiet" onclick={() => plan.toggleForbidden(place)}
				>string {place.string}, fret {place.fret}: take in again</Button
			>
		{/each}
	</div>
{/if}
