<script lang="ts">
	import { field } from '$lib/ui/parts/field';
	import Button from '$lib/ui/parts/Button.svelte';
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

	const look = field();
</script>

<section class="grid gap-2 border-b border-hair pb-3" aria-label="Tempo">
	<div class="flex items-end gap-3">
		<label class={look.label({ class: 'flex-1' })}
			>Tempo, quarter notes a minute
			<span class="grid grid-cols-[1fr_52px] items-center gap-3">
				<input
					class="m-0 h-7 w-full accent-ink"
					type="range"
					min={TEMPO.least}
					max={TEMPO.most}
					value={transport.written}
					oninput={(event) => transport.setTempo(event.currentTarget.valueAsNumber)}
				/><output class="text-right font-mono text-line font-bold text-ink"
					>{transport.written}</output
				></span
			></label
		>
		<Button
			onpointerdown={() => transport.tap()}
			onkeydown={(event) => event.key === 'Enter' && !event.repeat && transport.tap()}
			>Tap <KeyCap keys="Y" /></Button
		>
	</div>
	<label class={look.label()}
		>Speed, per cent
		<span class="grid grid-cols-[1fr_52px] items-center gap-3">
			<input
				class="m-0 h-7 w-full accent-ink"
				type="range"
				min={SPEED.least}
				max={SPEED.most}
				step="5"
				value={transport.speed}
				oninput={(event) => transport.setSpeed(event.currentTarget.valueAsNumber)}
			/><output class="text-right font-mono text-line font-bold text-ink">{transport.speed}</output
			></span
		></label
	>
	{#if feel !== 'straight' && feel !== 'ballad'}
		<label class={look.label()}
			>Off-beats{soundPrefs.current.swing === 0 ? ', as the feel has them' : ''}
			<span class="grid grid-cols-[1fr_52px] items-center gap-3">
				<input
					class="m-0 h-7 w-full accent-ink"
					type="range"
					min={SWING.least}
					max={SWING.most}
					value={Math.round(transport.swing.percent)}
					oninput={(event) => soundPrefs.set('swing', event.currentTarget.valueAsNumber)}
				/><output class="text-right font-mono text-line font-bold text-ink"
					>{swings ? `${Math.round(transport.swing.percent)} %` : 'even'}</output
				></span
			></label
		>
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
