<script lang="ts">
	import { samePlace } from '$core/neck';
	import type { Landing } from '$core/route';
	import { roleWords } from '$core/chord';
	import { prefs } from '$lib/state/prefs.svelte';
	import KeyCap from '../KeyCap.svelte';
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

<ul class="landings">
	{#each shown as landing (`${landing.string}-${landing.fret}`)}
		{@const on = isChosen(landing)}
		<li>
			<button type="button" class:on aria-pressed={on} onclick={() => onchoose(landing)}>
				<svg width="44" height="44" viewBox="-22 -22 44 44" aria-hidden="true">
					<RoleMark
						next={landing.role}
						label={prefs.label({ role: landing.role, name: landing.name, pc: landing.midi % 12 })}
						r={on ? 14.5 : 12.6}
						target={on}
						locked={on && locked}
					/>
				</svg>
				<span class="what">
					<span
						><b>{prefs.name(landing.name)}, {roleWords(landing.role)}</b>
						<small
							>string {landing.string}, {landing.fret === 0
								? 'open'
								: `fret ${landing.fret}`}</small
						></span
					>
					{#each words(landing) as line, i (i)}<span class="why">{line}</span>{/each}
				</span>
			</button>
		</li>
	{/each}
</ul>
<div class="after">
	{#if more > 0 || all}
		<button type="button" class="quiet more" onclick={() => (all = !all)}
			>{all ? 'Fewer places' : `${more} more places`}</button
		>
	{/if}
	{#if chosen}
		<button type="button" class="quiet more" onclick={onforbid}
			>Not this place <KeyCap keys="D" /></button
		>
	{/if}
</div>

<style>
	ul {
		--pad: 24px;
	}
	@media (max-width: 1099px) {
		ul {
			--pad: 0px;
		}
	}
	li {
		border-bottom: 1px solid var(--hair);
	}
	button:not(.more) {
		display: grid;
		grid-template-columns: 52px 1fr;
		align-items: center;
		width: calc(100% + 2 * var(--pad));
		margin: 0 calc(-1 * var(--pad));
		padding: 5px max(8px, var(--pad));
		text-align: left;
	}
	button:not(.more):hover {
		background: var(--lit);
	}
	button.on {
		background: var(--next-tint) !important;
		box-shadow: inset 6px 0 0 var(--next);
	}
	.what {
		display: grid;
		gap: 1px;
		line-height: 1.25;
	}
	small {
		font-size: 13px;
		color: var(--second);
		margin-left: 4px;
	}
	.on small {
		color: var(--ink);
	}
	.why {
		font-size: 13px;
	}
	.after {
		display: flex;
		justify-content: space-between;
	}
	.more {
		font-size: 13px;
		margin-top: 4px;
	}
</style>
