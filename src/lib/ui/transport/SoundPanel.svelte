<script lang="ts">
	import Check from '$lib/ui/parts/Check.svelte';
	import { field } from '$lib/ui/parts/field';
	import Button from '$lib/ui/parts/Button.svelte';
	import { clamp } from '$core/kernel';
	import { PARTS, type Part } from '$core/band';
	import { soundPrefs } from '$lib/state/sound-prefs.svelte';
	import { useTransport } from '$lib/state/transport.svelte';
	import Choice from '$lib/ui/parts/Choice.svelte';
	import MixRow from './MixRow.svelte';
	import TempoRows from './TempoRows.svelte';

	/** Everything about how a tune is played: tempo, loop, count-in, click, the band's levels, what is told. */
	let { ontakeaway }: { ontakeaway: () => void } = $props();
	const transport = useTransport();
	const bars = $derived(transport.chart.played.length);
	const from = $derived((transport.loop?.from ?? 0) + 1);
	const to = $derived(transport.loop?.to ?? bars);
	const NAMES: Record<Part, string> = {
		drums: 'Drums',
		bass: 'Bass',
		chords: 'Chords',
		line: 'Line',
		click: 'Click'
	};
	const anySolo = $derived(PARTS.some((part) => soundPrefs.current.faders[part].solo));
	function setLoop(first: number, last: number): void {
		const low = clamp(Math.round(first), 1, bars);
		const high = clamp(Math.round(last), low, bars);
		transport.loop = low === 1 && high === bars ? null : { from: low - 1, to: high };
	}

	const look = field();
</script>

<div class="grid grid-cols-[1fr_1fr] gap-x-7 gap-y-3 max-tablet:grid-cols-[1fr]">
	<div class="grid min-w-0 content-start gap-3">
		<TempoRows />

		<section
			class="grid grid-cols-[auto_auto] items-end gap-x-5 gap-y-2.5 border-b border-hair pb-3 last:border-b-0 last:pb-0 max-tablet:grid-cols-[1fr]"
			aria-label="Loop and count-in"
		>
			<div class="flex items-end gap-3">
				<label class={look.label()}
					>Loop from bar
					<input
						class={look.control()}
						type="number"
						min="1"
						max={bars}
						value={from}
						onchange={(event) => setLoop(event.currentTarget.valueAsNumber || 1, to)}
					/></label
				>
				<label class={look.label()}
					>to bar
					<input
						class={look.control()}
						type="number"
						min="1"
						max={bars}
						value={to}
						onchange={(event) => setLoop(from, event.currentTarget.valueAsNumber || bars)}
					/></label
				>
			</div>
			<Choice
				label="Count-in, bars"
				options={[
					{ value: '0', name: 'none' },
					{ value: '1', name: '1' },
					{ value: '2', name: '2' }
				]}
				value={String(soundPrefs.current.countIn)}
				onchange={(value) => soundPrefs.set('countIn', Number(value) as 0 | 1 | 2)}
			/>
		</section>

		<section
			class="grid gap-2 border-b border-hair pb-3 last:border-b-0 last:pb-0"
			aria-label="What comes"
		>
			<Choice
				label="Announce the next chord, beats ahead"
				options={[
					{ value: '0', name: 'off' },
					{ value: '1', name: '1' },
					{ value: '2', name: '2' },
					{ value: '4', name: '4' }
				]}
				value={String(soundPrefs.current.announce)}
				onchange={(value) => soundPrefs.set('announce', Number(value) as 0 | 1 | 2 | 4)}
			/>
			<Check checked={soundPrefs.current.speak} onchange={(on) => soundPrefs.set('speak', on)}
				>Say it aloud too: chord and landing</Check
			>
		</section>
	</div>
	<div class="grid min-w-0 content-start gap-3">
		<section
			class="grid gap-2 border-b border-hair pb-3 last:border-b-0 last:pb-0"
			aria-label="The band"
		>
			{#each PARTS as part (part)}
				<MixRow
					name={NAMES[part]}
					fader={soundPrefs.current.faders[part]}
					quiet={anySolo && !soundPrefs.current.faders[part].solo && part !== 'click'}
					onchange={(change) => soundPrefs.setFader(part, change)}
				/>
			{/each}
			<Choice
				label="Chords on"
				options={[
					{ value: 'auto', name: 'as it suits' },
					{ value: 'guitar', name: 'guitar' },
					{ value: 'keys', name: 'electric piano' }
				]}
				value={soundPrefs.current.voice}
				onchange={(value) => soundPrefs.set('voice', value)}
			/>
		</section>

		<section
			class="grid grid-cols-[auto_auto] items-end gap-x-5 gap-y-2.5 border-b border-hair pb-3 last:border-b-0 last:pb-0 max-tablet:grid-cols-[1fr]"
			aria-label="Click"
		>
			<Choice
				label="Click on"
				options={[
					{ value: 'every', name: 'every beat' },
					{ value: 'answers', name: '2 and 4' },
					{ value: 'first', name: '1' }
				]}
				value={soundPrefs.current.clickBeats}
				onchange={(value) => soundPrefs.set('clickBeats', value)}
			/>
			<Choice
				label="Parts of a beat"
				options={[1, 2, 3, 4].map((n) => ({ value: String(n), name: String(n) }))}
				value={String(soundPrefs.current.clickParts)}
				onchange={(value) => soundPrefs.set('clickParts', Number(value) as 1 | 2 | 3 | 4)}
			/>
			<Check
				checked={soundPrefs.current.clickAccents}
				onchange={(on) => soundPrefs.set('clickAccents', on)}>Accent the first beat</Check
			>
		</section>
	</div>
	<div class="col-span-full flex flex-wrap items-center gap-x-5 gap-y-2 border-t-2 border-ink pt-3">
		<Button onclick={ontakeaway}>Take the backing away …</Button>
		<p class="text-reason text-second">Keep it low enough to talk over.</p>
	</div>
</div>
