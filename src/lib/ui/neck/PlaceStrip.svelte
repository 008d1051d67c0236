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

<div
	bind:this={strip}
	class="drawn flex h-full data-left:flex-row-reverse max-tablet:flex-wrap"
	data-left={leftHanded || undefined}
	role="group"
	aria-label="Places"
>
	{#each Array.from({ length: last }, (_, i) => i + 1) as position (position)}
		{@const at = ranked.findIndex((entry) => entry.position === position)}
		<button
			type="button"
			class="relative h-8.5 min-w-0 flex-[var(--share)_0_0] font-display text-head font-semibold shadow-[inset_-2px_0_var(--paper)] hover:underline hover:underline-offset-4 in-data-left:shadow-[inset_2px_0_var(--paper)] aria-pressed:font-extrabold data-best:font-extrabold data-[step=0]:bg-density-0 data-[step=1]:bg-density-1 data-[step=2]:bg-density-2 data-[step=3]:bg-density-3 data-[step=3]:text-on-density-3 data-[step=4]:bg-density-4 data-[step=4]:text-on-density-4 max-lap:text-line max-tablet:h-10 max-tablet:flex-[1_0_9%] max-tablet:text-head max-tablet:aria-pressed:[outline:3px_solid_var(--ink)] max-tablet:aria-pressed:-outline-offset-3"
			data-step={at < 0 ? 0 : steps[at]}
			data-best={(at >= 0 && ranked[at].rank === 1) || undefined}
			style:--share={share(position - 1, position)}
			aria-pressed={position === open.position}
			tabindex={position === open.position ? 0 : -1}
			data-arrows
			onkeydown={walk}
			aria-label={words(position)}
			onclick={() => open.moveTo(position)}
			>{position}{#if planned.includes(position)}<i
					class="absolute bottom-0.75 left-1/2 -ml-2 w-3.5 border-b-3 border-double border-current"
				></i>{/if}</button
		>
	{/each}
	<span class="flex-[var(--share)_0_0] max-tablet:hidden" style:--share={rest}></span>
</div>
