<script lang="ts">
	import type { Fader } from '$lib/audio/desk';

	/** One part of the band: how loud, silent or alone. */
	type Props = {
		name: string;
		fader: Fader;
		/** Silent because another part plays alone. */
		quiet: boolean;
		onchange: (change: Partial<Fader>) => void;
	};
	let { name, fader, quiet, onchange }: Props = $props();
</script>

<div class="mix" class:quiet={quiet || fader.muted}>
	<span class="name">{name}</span>
	<input
		type="range"
		min="0"
		max="100"
		value={Math.round(fader.level * 100)}
		aria-label="{name}: level"
		oninput={(event) => onchange({ level: event.currentTarget.valueAsNumber / 100 })}
	/>
	<button
		type="button"
		aria-pressed={fader.muted}
		aria-label="{name}: silent"
		onclick={() => onchange({ muted: !fader.muted })}>silent</button
	>
	<button
		type="button"
		aria-pressed={fader.solo}
		aria-label="{name}: alone"
		onclick={() => onchange({ solo: !fader.solo })}>alone</button
	>
</div>

<style>
	.mix {
		display: grid;
		grid-template-columns: 64px 1fr auto auto;
		align-items: center;
		gap: 8px;
	}
	.name {
		font-weight: 700;
	}
	.quiet .name {
		font-weight: 400;
		color: var(--third);
		text-decoration: line-through;
	}
	input {
		width: 100%;
		height: 28px;
		margin: 0;
		accent-color: var(--ink);
	}
	button {
		min-height: 28px;
		padding: 0 10px;
		font-size: 13px;
		font-weight: 600;
		border: 1.5px solid var(--strong);
	}
	button[aria-pressed='true'] {
		background: var(--ink);
		border-color: var(--ink);
		color: var(--paper);
	}
</style>
