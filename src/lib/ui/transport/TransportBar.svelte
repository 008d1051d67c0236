<script lang="ts">
	import { useTransport } from '$lib/state/transport.svelte';

	/** Play, the loop and the tempo, the same on every screen of a tune. */
	const transport = useTransport();
	let shown = $state(false);
	/** The panel is fetched when it is opened for the first time. */
	let wanted = $state(false);
	let takingAway = $state(false);
	let trigger: HTMLButtonElement | null = $state(null);
	const loopWords = $derived(
		transport.loop
			? transport.loop.to - transport.loop.from === 1
				? `bar ${transport.loop.to}`
				: `bars ${transport.loop.from + 1}–${transport.loop.to}`
			: 'all bars'
	);
	const tempo = $derived(Math.round(transport.played));
</script>

<button
	type="button"
	class="loop"
	class:on={transport.loop}
	aria-pressed={transport.loop !== null}
	aria-keyshortcuts="q"
	aria-label="Loop: {loopWords}"
	title="Loop the bars round this change (Q)"
	onclick={() => transport.toggleLoop()}
>
	<svg viewBox="0 0 16 16" width="15" height="15" aria-hidden="true">
		<path d="M5 2H2V14H5M11 2H14V14H11" />
	</svg>
	<span>{loopWords}</span>
</button>
<button
	bind:this={trigger}
	type="button"
	class="transport-tempo"
	aria-haspopup="dialog"
	aria-expanded={shown}
	aria-label="{tempo} quarter notes a minute{transport.speed === 100
		? ''
		: `, ${transport.speed} per cent`}. Tempo, band and click"
	onclick={() => {
		wanted = true;
		shown = !shown;
	}}
	><span class="note" aria-hidden="true">♩</span>{tempo}{#if transport.speed !== 100}<small
			>{transport.speed} %</small
		>{/if}</button
>
{#if wanted}
	{#await import('./SoundPopover.svelte') then Sound}
		<Sound.default
			bind:shown
			{trigger}
			ontakeaway={() => {
				shown = false;
				takingAway = true;
			}}
		/>
	{/await}
{/if}
{#if takingAway}
	{#await import('./BackingDialog.svelte') then Dialog}
		<Dialog.default bind:shown={takingAway} {transport} />
	{/await}
{/if}
<button
	type="button"
	class="play"
	disabled={!transport.ready}
	aria-keyshortcuts="Space"
	aria-label={transport.playing ? 'Stop' : 'Play'}
	aria-busy={transport.state === 'loading'}
	onclick={() => transport.toggle()}
>
	<svg viewBox="0 0 20 20" width="20" height="20" aria-hidden="true">
		{#if transport.playing}<rect x="4" y="4" width="12" height="12" />{:else}<path
				d="M5 2.5L17 10L5 17.5Z"
			/>{/if}
	</svg>
</button>

<style>
	.loop {
		display: inline-flex;
		align-items: center;
		gap: 6px;
		min-height: 36px;
		font-size: 13px;
		font-weight: 600;
		color: var(--second);
		white-space: nowrap;
	}
	.loop.on {
		color: var(--next-ink);
	}
	.loop path {
		fill: none;
		stroke: currentColor;
		stroke-width: 2.4;
	}
	.transport-tempo {
		font-family: var(--font-display);
		font-weight: 800;
		font-size: 27px;
		line-height: 1;
		min-height: 40px;
		border-left: 1px solid var(--hair);
		padding-left: 12px;
		white-space: nowrap;
	}
	.transport-tempo small {
		font-family: var(--font-sans);
		font-size: 12px;
		font-weight: 700;
		margin-left: 6px;
		color: var(--second);
	}
	.transport-tempo:hover {
		text-decoration: underline;
		text-decoration-thickness: 2px;
		text-underline-offset: 5px;
	}
	.note {
		font-family: var(--font-sans);
		font-weight: 700;
		font-size: 1.15em;
	}
	.play {
		display: grid;
		place-items: center;
		width: 44px;
		height: 44px;
		border-radius: 50%;
		background: var(--ink);
		flex-shrink: 0;
	}
	.play[disabled] {
		background: var(--hair);
		cursor: default;
	}
	.play svg {
		fill: var(--paper);
	}
	.play:hover:not([disabled]) {
		background: var(--second);
	}
	@media (max-width: 1199px) {
		.loop span {
			display: none;
		}
	}
	@media (max-width: 640px) {
		.loop {
			display: none;
		}
		.transport-tempo {
			font-size: 20px;
			border-left: 0;
			padding-left: 0;
		}
	}
</style>
