<script lang="ts">
	import { fretWire, highestFret, lastPosition } from '$core/neck';
	import { prefs } from '$lib/state/prefs.svelte';
	import { useTune } from '$lib/state/open-tune.svelte';

	/** Every place of the hand as a cell; `planned` names those that already have a route. */
	let { planned }: { planned: readonly number[] } = $props();
	const open = useTune();
	const last = $derived(lastPosition(open.instrument));
	/** Cells hang from the true frets of the neck above. */
	const share = (from: number, to: number) => 100 * (fretWire(to) - fretWire(from));
	const rest = $derived(share(last, highestFret(open.instrument)));
</script>

<div class="strip" class:left={prefs.current.leftHanded} role="group" aria-label="Places">
	{#each Array.from({ length: last }, (_, i) => i + 1) as position (position)}
		<button
			type="button"
			class="cell"
			style:--share={share(position - 1, position)}
			class:here={position === open.position}
			class:planned={planned.includes(position)}
			aria-pressed={position === open.position}
			aria-label="Position {position}{planned.includes(position) ? ', planned' : ''}"
			onclick={() => open.moveTo(position)}>{position}</button
		>
	{/each}
	<span class="rest" style:--share={rest}></span>
</div>

<style>
	.strip {
		display: flex;
		padding-right: 2px;
	}
	.left {
		flex-direction: row-reverse;
	}
	.cell {
		flex: var(--share) 0 0;
		min-width: 0;
		box-shadow: inset -2px 0 var(--paper);
		height: 36px;
		font-family: var(--font-display);
		font-weight: 600;
		font-size: 17px;
		background: var(--density-0);
	}
	.rest {
		flex: var(--share) 0 0;
	}
	.cell:hover {
		background: var(--density-1);
	}
	.planned {
		background: var(--density-4);
		color: var(--paper);
		font-weight: 800;
	}
	.planned:hover {
		background: var(--second);
	}
	.here {
		outline: 3px solid var(--ink);
		outline-offset: -1px;
		z-index: 1;
	}
	.here:focus-visible {
		outline-width: 5px;
	}
	@media (max-width: 640px) {
		.strip {
			flex-wrap: wrap;
		}
		.cell {
			flex: 1 0 9%;
		}
		.rest {
			display: none;
		}
	}
</style>
