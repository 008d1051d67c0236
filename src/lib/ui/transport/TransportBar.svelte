<script lang="ts">
	import { fetched } from '$lib/state/fetched';
	import Toggle from '$lib/ui/parts/Toggle.svelte';
	import { BAND } from '$lib/words/keys/everywhere';
	import { shortcutOf } from '$lib/words/keys/key-map';
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

<Toggle
	class="inline-flex min-h-9 items-center gap-1.5 text-reason font-semibold whitespace-nowrap text-second data-on:text-next-ink max-tablet:hidden"
	data-on={transport.loop || undefined}
	pressed={transport.loop !== null}
	aria-keyshortcuts={shortcutOf(BAND.loop)}
	aria-label="Loop: {loopWords}"
	data-tip="Loop the bars round this change (Q)"
	onchange={() => transport.toggleLoop()}
>
	<svg viewBox="0 0 16 16" width="15" height="15" aria-hidden="true">
		<path class="fill-none stroke-current stroke-[2.4]" d="M5 2H2V14H5M11 2H14V14H11" />
	</svg>
	<span class="max-desk:hidden">{loopWords}</span>
</Toggle>
<button
	bind:this={trigger}
	type="button"
	data-part="transport-tempo"
	class="min-h-10 border-l border-hair pl-3 font-display text-verdict leading-none font-extrabold whitespace-nowrap hover:underline hover:decoration-2 hover:underline-offset-4 max-tablet:border-l-0 max-tablet:pl-0 max-tablet:text-head"
	aria-haspopup="dialog"
	aria-expanded={shown}
	aria-label="{tempo} quarter notes a minute{transport.speed === 100
		? ''
		: `, ${transport.speed} per cent`}. Tempo, band and click"
	onclick={() => {
		wanted = true;
		shown = !shown;
	}}
	><span class="font-sans text-[1.15em] font-bold" aria-hidden="true">♩</span
	>{tempo}{#if transport.speed !== 100}<small
			class="ml-1.5 font-sans text-count font-bold text-second">{transport.speed} %</small
		>{/if}</button
>
{#if wanted}
	{#await fetched(() => import('./SoundPopover.svelte')) then Sound}
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
	{#await fetched(() => import('./BackingDialog.svelte')) then Dialog}
		<Dialog.default bind:shown={takingAway} {transport} />
	{/await}
{/if}
<button
	type="button"
	class="grid size-11 shrink-0 place-items-center rounded-full bg-ink hover:not-disabled:bg-second disabled:cursor-default disabled:bg-hair"
	disabled={!transport.ready}
	aria-keyshortcuts={shortcutOf(BAND.play)}
	aria-label={transport.playing ? 'Stop' : 'Play'}
	aria-busy={transport.state === 'loading'}
	onclick={() => transport.toggle()}
>
	<svg class="fill-paper" viewBox="0 0 20 20" width="20" height="20" aria-hidden="true">
		{#if transport.playing}<rect x="4" y="4" width="12" height="12" />{:else}<path
				d="M5 2.5L17 10L5 17.5Z"
			/>{/if}
	</svg>
</button>
