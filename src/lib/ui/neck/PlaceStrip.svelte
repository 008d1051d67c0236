<script lang="ts">
	import { fretWire, highestFret, lastPosition } from '$core/neck';
	import type { RankedPosition } from '$core/route';
	import { useTune } from '$lib/state/open-tune.svelte';
	import { tick } from 'svelte';
	import { densities } from './density';

	/** Every place of the hand as a cell, darker where the whole chart lies better. */
	type Props = {
		ranked: readonly RankedPosition[];
		/** Places that already have a route. */
		planned: readonly number[];
		leftHanded: boolean;
	};
	let { ranked, planned, leftHanded }: Props = $props();
	const open = useTune();
	const last = $derived(lastPosition(open.instrument));
	const steps = $derived(densities(ranked.map((entry) => entry.score)));
	/** Cells hang from the true frets of the neck above. */
	const share = (from: number, to: number) => 100 * (fretWire(to) - fretWire(from));
	const rest = $derived(share(last, highestFret(open.instrument)));
	const words = (position: number) => {
		const entry = ranked.find((other) => other.position === position);
		const rank = entry ? `, rank ${entry.rank} of ${last}` : '';
		return `Position ${position}${rank}${planned.includes(position) ? ', planned' : ''}`;
	};
	/** Inside the strip the arrows move the hand, and the focus goes with it. */
	function walk(event: KeyboardEvent): void {
		const along = leftHanded ? -1 : 1;
		const by: Record<string, number> = { ArrowLeft: -along, ArrowRight: along };
		const to =
			event.key === 'Home' ? 1 : event.key === 'End' ? last : open.position + (by[event.key] ?? 0);
		if (to === open.position) return;
		event.preventDefault();
		open.moveTo(to);
		void tick().then(() => strip.querySelector<HTMLElement>('[tabindex="0"]')?.focus());
	}
	let strip: HTMLElement;
</script>

<div bind:this={strip} class="strip" class:left={leftHanded} role="group" aria-label="Places">
	{#each Array.from({ length: last }, (_, i) => i + 1) as position (position)}
		{@const at = ranked.findIndex((entry) => entry.position === position)}
		<button
			type="button"
			class="cell step-{at < 0 ? 0 : steps[at]}"
			style:--share={share(position - 1, position)}
			class:best={at >= 0 && ranked[at].rank === 1}
			class:here={position === open.position}
			aria-pressed={position === open.position}
			tabindex={position === open.position ? 0 : -1}
			onkeydown={walk}
			aria-label={words(position)}
			onclick={() => open.moveTo(position)}
			>{position}{#if planned.includes(position)}<i class="planned"></i>{/if}</button
		>
	{/each}
	<span class="rest" style:--share={rest}></span>
</div>

<style>
	.strip {
		display: flex;
		height: 100%;
	}
	.left {
		flex-direction: row-reverse;
	}
	.cell {
		position: relative;
		flex: var(--share) 0 0;
		min-width: 0;
		box-shadow: inset -2px 0 var(--paper);
		height: 34px;
		font-family: var(--font-display);
		font-weight: 600;
		font-size: 17px;
	}
	.left .cell {
		box-shadow: inset 2px 0 var(--paper);
	}
	.step-0 {
		background: var(--density-0);
	}
	.step-1 {
		background: var(--density-1);
	}
	.step-2 {
		background: var(--density-2);
	}
	.step-3 {
		background: var(--density-3);
		color: var(--on-density-3);
	}
	.step-4 {
		background: var(--density-4);
		color: var(--on-density-4);
	}
	.best,
	.here {
		font-weight: 800;
	}
	.rest {
		flex: var(--share) 0 0;
	}
	.cell:hover {
		text-decoration: underline;
		text-underline-offset: 3px;
	}
	.planned {
		position: absolute;
		left: 50%;
		bottom: 3px;
		width: 14px;
		margin-left: -7px;
		border-bottom: 3px double currentColor;
	}
	@media (max-width: 640px) {
		.strip {
			flex-wrap: wrap;
		}
		.cell {
			flex: 1 0 9%;
			height: 40px;
		}
		.here {
			outline: 3px solid var(--ink);
			outline-offset: -3px;
		}
		.rest {
			display: none;
		}
	}
</style>
