<script lang="ts">
	import { ROUTE } from '$lib/words/keys/route';
	import Button from '$lib/ui/parts/Button.svelte';
	import ScreenHead from '$lib/ui/parts/ScreenHead.svelte';
	import { roleWords } from '$core/chord';
	import { useTune } from '$lib/state/open-tune.svelte';
	import type { RoutePlan } from '$lib/state/route-plan.svelte';
	import { STYLE_NAMES } from '$lib/words/styles';
	import KeyCap from '$lib/ui/parts/KeyCap.svelte';
	import { capital, inWords, plural, withHome } from '$lib/words/words';
	import type { WeakSpot } from './weak-spots';

	/** The route in one sentence, with jumps to its widest moves. */
	type Props = { plan: RoutePlan; weak: readonly WeakSpot[]; onweak: (spot: WeakSpot) => void };
	let { plan, weak, onweak }: Props = $props();
	const open = useTune();
	const count = $derived(open.chart.changes.length);
	/** Why something is planned that nobody asked for. */
	const TOLD = $derived({
		best: `Position ${open.position} lies best: it is planned there.`,
		here: `Planned where the hand is, in position ${open.position}.`,
		chart: 'The chart has changed: this is planned anew.',
		scale: 'Other scales were chosen: this is planned anew.'
	});
	/** Changes that land; what is let pass does not count, whatever sounds there. */
	const landed = $derived(
		plan.check && plan.planned
			? plan.check.changes.filter(
					({ result, index }) => counts.includes(result) && !plan.isLetPass(index)
				).length
			: plan.targets.length
	);
	/** Where the player says that colours land, they do. */
	const counts = $derived(plan.wishes.line.colours === 'land' ? ['landed', 'leaning'] : ['landed']);
	/** Bars whose landing leans on a colour. */
	const leaning = $derived(
		(plan.check?.changes ?? []).filter(({ result }) => result === 'leaning')
	);
	/** How often own notes or the player take the hand elsewhere. */
	const shifts = $derived(
		plan.hands.slice(1).filter(({ position }, i) => position !== plan.hands[i].position).length
	);
	const moves = $derived(
		plan.targets
			.slice(1)
			.map((target, i) => ({ target, semitones: Math.abs(target.midi - plan.targets[i].midi) }))
	);
	const semitones = $derived(moves.filter((move) => move.semitones === 1).length);
	const stays = $derived(moves.filter((move) => move.semitones === 0).length);
	/** The loop's return from the last landing to the first. */
	const top = $derived.by(() => {
		const [first] = plan.targets;
		const last = plan.targets.at(-1);
		return first && last && first !== last
			? [{ target: first, semitones: Math.abs(first.midi - last.midi) }]
			: [];
	});
	/** Moves of more than a minor third, the widest three, in playing order. */
	const widest = $derived(
		[...moves, ...top]
			.filter((move) => move.semitones > 3)
			.sort((a, b) => b.semitones - a.semitones)
			.slice(0, 3)
			.sort((a, b) => (a.target.change || Infinity) - (b.target.change || Infinity))
	);
	const passed = $derived(
		open.chart.changes.filter((change) => plan.isLetPass(change.index)).length
	);
</script>

<ScreenHead>
	{#if plan.outdated}
		<h1>The chart has changed since.</h1>
		<p>{landed} of {plural(count, 'landing')} still {landed === 1 ? 'fits' : 'fit'}.</p>
		<Button look="main" onclick={() => plan.plan()}>Plan again <KeyCap of={ROUTE.plan} /></Button>
	{:else if !plan.planned}
		<h1>
			{#if count === 0}Nothing to land on yet.{:else if plan.seeking}Looking for the place where the
				chart lies best …{:else if plan.warnings.length > 0}No plan.{:else}Planning …{/if}
		</h1>
		<p>{plan.warnings[0] ?? withHome(STYLE_NAMES[plan.wishes.style].says, open.key)}</p>
	{:else}
		<h1>
			{count === 1 && landed === 1
				? 'The one change lands.'
				: landed === count
					? count === 1
						? 'The one change lands.'
						: `All ${count} changes land.`
					: `${landed} of ${plural(count, 'change')} ${count === 1 ? 'lands' : 'land'}.`}
		</h1>
		<p>
			{#if plan.told}<b class="text-ink">{TOLD[plan.told]}</b>{/if}
			{#if leaning.length === 1}Bar {open.chart.changes[leaning[0].index]?.bar} leans on the {roleWords(
					leaning[0].role ?? 'R'
				)}.{:else if leaning.length > 1}{capital(inWords(leaning.length))} lean on a colour.{/if}
			{#if passed > 0}{capital(inWords(passed))} let pass.{/if}
			{#if plan.ownHand}The hand shifts {shifts === 1 ? 'once' : plural(shifts, 'time')}.{/if}
			{#if semitones > 0}{capital(inWords(semitones))} by a semitone{stays > 0
					? `, ${inWords(stays)} ${stays === 1 ? 'stays' : 'stay'} put`
					: ''}.{/if}
			{#if weak.length > 0}
				{weak.length === 1 ? 'One weak spot:' : `${capital(inWords(weak.length))} weak spots:`}
				{#each weak.slice(0, 3) as spot (spot)}
					<button
						class="ml-1.5 border-b-2 border-ink font-bold text-ink"
						type="button"
						data-tip={spot.text}
						onclick={() => onweak(spot)}>{spot.where}</button
					>
				{/each}
				<KeyCap of={ROUTE.weak} />
			{:else if widest.length > 0}
				Widest:
				{#each widest as move (move.target.change)}
					<button
						class="ml-1.5 border-b-2 border-ink font-bold text-ink"
						type="button"
						onclick={() => (open.cursor = move.target.change)}
						>{move.target === plan.targets[0]
							? 'top'
							: `bar ${open.chart.changes[move.target.change]?.bar}`}</button
					>
				{/each}
			{/if}
		</p>
	{/if}
</ScreenHead>
