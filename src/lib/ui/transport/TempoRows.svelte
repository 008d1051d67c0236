<script lang="ts">
	import { BAND } from '$lib/words/keys/everywhere';
	import Slider from '$lib/ui/parts/Slider.svelte';
	import Button from '$lib/ui/parts/Button.svelte';
	import { SPEED, SWING } from '$core/band';
	import { setHeader } from '$core/chart';
	import { TEMPO } from '$core/kernel';
	import { soundPrefs } from '$lib/state/sound-prefs.svelte';
	import { saveHeaders } from '$lib/state/tune-headers';
	import { useTransport } from '$lib/state/transport.svelte';
	import KeyCap from '$lib/ui/parts/KeyCap.svelte';

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

<section class="grid gap-2 border-b border-hair pb-3" aria-label="Tempo">
	<div class="flex items-end gap-3">
		<Slider
			label="Tempo, quarter notes a minute"
			min={TEMPO.least}
			max={TEMPO.most}
			value={transport.written}
			said={String(transport.written)}
			onchange={(tempo) => transport.setTempo(tempo)}
		/>
		<Button
			onpointerdown={() => transport.tap()}
			onkeydown={(event) => event.key === 'Enter' && !event.repeat && transport.tap()}
			>Tap <KeyCap of={BAND.tap} /></Button
		>
	</div>
	<Slider
		label="Speed, per cent"
		min={SPEED.least}
		max={SPEED.most}
		step={5}
		value={transport.speed}
		said={String(transport.speed)}
		onchange={(speed) => transport.setSpeed(speed)}
	/>
	{#if feel !== 'straight' && feel !== 'ballad'}
		<Slider
			label="Off-beats{soundPrefs.current.swing === 0 ? ', as the feel has them' : ''}"
			min={SWING.least}
			max={SWING.most}
			value={Math.round(transport.swing.percent)}
			said={swings ? `${Math.round(transport.swing.percent)} %` : 'even'}
			onchange={(swing) => soundPrefs.set('swing', swing)}
		/>
	{/if}
	<p class="flex flex-wrap items-end gap-x-4 gap-y-0 text-reason empty:hidden">
		{#if canKeep}<Button look="quiet" onclick={() => void keepTempo()}
				>Keep {transport.written} in the tune</Button
			>{/if}
		{#if transport.tempo !== null || transport.speed !== 100}<Button
				look="quiet"
				onclick={() => {
					transport.tempo = null;
					transport.speed = 100;
				}}>Back to {transport.chart.headers.tempo}</Button
			>{/if}
		{#if soundPrefs.current.swing !== 0}<Button
				look="quiet"
				onclick={() => soundPrefs.set('swing', 0)}>Off-beats as the feel has them</Button
			>{/if}
	</p>
</section>
