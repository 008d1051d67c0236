<script lang="ts">
	import { ROUTE } from '$lib/words/keys/route';
	import Button from '$lib/ui/parts/Button.svelte';
	import { samePlace } from '$core/neck';
	import type { Landing } from '$core/route';
	import { roleWords } from '$core/chord';
	import { prefs } from '$lib/state/prefs.svelte';
	import KeyCap from '$lib/ui/parts/KeyCap.svelte';
	import RoleMark from '../RoleMark.svelte';
	import { moveArrow, moveLabel } from '$lib/draw/strip-geometry';

	/** Where a change could land, best first; choosing one locks it. */
	type Props = {
		landings: readonly Landing[];
		chosen: { string: number; fret: number } | undefined;
		locked: boolean;
		/** The reasons that the plan gives for its own choice. */
		reasons: readonly string[];
		onchoose: (landing: Landing) => void;
		/** Leaves the chosen place out of every landing. */
		onforbid: () => void;
		/** How many are shown at first. */
		few?: number;
	};
	let { landings, chosen, locked, reasons, onchoose, onforbid, few = 4 }: Props = $props();
	let all = $state(false);
	const isChosen = (landing: Landing) => samePlace(landing, chosen);
	const shown = $derived.by(() => {
		const first = landings.filter(isChosen);
		const rest = landings.filter((landing) => !isChosen(landing));
		return [...first, ...(all ? rest : rest.slice(0, few - first.length))];
	});
	const more = $derived(landings.length - shown.length);

	/** The two short reasons of a row. */
	function words(landing: Landing): string[] {
		if (isChosen(landing) && reasons.length > 0)
			return reasons.map((reason) => prefs.prose(reason));
		const move = landing.semitones;
		const moved =
			move === null
				? 'First landing'
				: `${moveArrow(move)} ${moveLabel(move)}${move > 0 ? ' higher' : move < 0 ? ' lower' : ''}`;
		return [
			landing.reach ? `${moved}, a reach` : moved,
			...landing.reasons.slice(1).map((reason) => prefs.prose(reason))
		];
	}
</script>

<ul data-part="landings">
	{#each shown as landing (`${landing.string}-${landing.fret}`)}
		{@const on = isChosen(landing)}
		<li class="border-b border-hair">
			<button
				class="-mx-6 grid w-[calc(100%_+_--spacing(12))] grid-cols-[52px_1fr] items-center px-6 py-1 text-left hover:bg-lit aria-pressed:bg-next-tint! aria-pressed:shadow-[inset_6px_0_0_var(--next)] max-desk:mx-0 max-desk:w-full max-desk:px-2"
				type="button"
				aria-pressed={on}
				onclick={() => onchoose(landing)}
			>
				<svg width="44" height="44" viewBox="-22 -22 44 44" aria-hidden="true">
					<RoleMark
						next={landing.role}
						label={prefs.label({ role: landing.role, name: landing.name, pc: landing.midi % 12 })}
						r={on ? 14.5 : 12.6}
						target={on}
						locked={on && locked}
					/>
				</svg>
				<span class="grid gap-px leading-snug">
					<span
						><b>{prefs.name(landing.name)}, {roleWords(landing.role)}</b>
						<small class="ml-1 text-reason text-second in-aria-pressed:text-ink"
							>string {landing.string}, {landing.fret === 0
								? 'open'
								: `fret ${landing.fret}`}</small
						></span
					>
					{#each words(landing) as line, i (i)}<span class="text-reason">{line}</span>{/each}
				</span>
			</button>
		</li>
	{/each}
</ul>
<div class="flex justify-between">
	{#if more > 0 || all}
		<Button look="quiet" size="small" class="mt-1" onclick={() => (all = !all)}
			>{all ? 'Fewer places' : `${more} more places`}</Button
		>
	{/if}
	{#if chosen}
		<Button look="quiet" size="small" class="mt-1" onclick={onforbid}
			>Not this place <KeyCap of={ROUTE.forbid} /></Button
		>
	{/if}
</div>
