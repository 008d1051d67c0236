<script lang="ts">
	import { SPEED, SWING } from '$core/band';
	import { setHeader } from '$core/chart';
	import { TEMPO } from '$core/kernel';
	import { soundPrefs } from '$lib/state/sound-prefs.svelte';
	import { saveHeaders } from '$lib/state/tune-headers';
	import { useTransport } from '$lib/state/transport.svelte';
	import KeyCap from '../KeyCap.svelte';

	/** How fast: tempo, speed, and how late the off-beats come. */
	const transport = useTransport();
	const feel = $derived(transport.chart.headers.feel);
	const swings = $derived(transport.swing.percent > SWING.least);
	const canKeep = $derived(
		!transport.draft &&
			setHeader(transport.open.saved.chart, 'tempo', String(transport.written)) !==
				transport.open.saved.chart &&
			transport.tempo !== null
	);
	async function keepTempo(): Promise<void> {
		const tempo = transport.written;
		await saveHeaders(transport.open, { tempo: String(tempo) }, `Tempo ${tempo} kept in the tune.`);
		transport.tempo = null;
	}
</script>

<section aria-label="Tempo">
	<div class="row">
		<label class="grow"
			>Tempo, quarter notes a minute
			<span class="slide">
				<input
					type="range"
					min={TEMPO.least}
					max={TEMPO.most}
					value={transport.written}
					oninput={(event) => transport.setTempo(event.currentTarget.valueAsNumber)}
				/><output>{transport.written}</output></span
			></label
		>
		<button
			type="button"
			class="act"
			onpointerdown={() => transport.tap()}
			onkeydown={(event) => event.key === 'Enter' && !event.repeat && transport.tap()}
			>Tap <KeyCap keys="Y" /></button
		>
	</div>
	<label
		>Speed, per cent
		<span class="slide">
			<input
				type="range"
				min={SPEED.least}
				max={SPEED.most}
				step="5"
				value={transport.speed}
				oninput={(event) => transport.setSpeed(event.currentTarget.valueAsNumber)}
			/><output>{transport.speed}</output></span
		></label
	>
	{#if feel !== 'straight' && feel !== 'ballad'}
		<label
			>Off-beats{soundPrefs.current.swing === 0 ? ', as the feel has them' : ''}
			<span class="slide">
				<input
					type="range"
					min={SWING.least}
					max={SWING.most}
					value={Math.round(transport.swing.percent)}
					oninput={(event) => soundPrefs.set('swing', event.currentTarget.valueAsNumber)}
				/><output>{swings ? `${Math.round(transport.swing.percent)} %` : 'even'}</output></span
			></label
		>
	{/if}
	<p class="row small">
		{#if canKeep}<button type="button" class="quiet" onclick={() => void keepTempo()}
				>Keep {transport.written} in the tune</button
			>{/if}
		{#if transport.tempo !== null || transport.speed !== 100}<button
				type="button"
				class="quiet"
				onclick={() => {
					transport.tempo = null;
					transport.speed = 100;
				}}>Back to {transport.chart.headers.tempo}</button
			>{/if}
		{#if soundPrefs.current.swing !== 0}<button
				type="button"
				class="quiet"
				onclick={() => soundPrefs.set('swing', 0)}>Off-beats as the feel has them</button
			>{/if}
	</p>
</section>

<style>
	section {
		display: grid;
		gap: 8px;
		padding-bottom: 12px;
		border-bottom: 1px solid var(--hair);
	}
	.row {
		display: flex;
		align-items: end;
		gap: 12px;
	}
	.small {
		flex-wrap: wrap;
		gap: 0 16px;
		font-size: 13px;
	}
	.small:empty {
		display: none;
	}
	.grow {
		flex: 1;
	}
	.slide {
		display: grid;
		grid-template-columns: 1fr 52px;
		align-items: center;
		gap: 12px;
	}
	input[type='range'] {
		width: 100%;
		height: 28px;
		margin: 0;
		accent-color: var(--ink);
	}
	output {
		font-family: var(--font-mono);
		font-weight: 700;
		font-size: 15px;
		color: var(--ink);
		text-align: right;
	}
</style>
