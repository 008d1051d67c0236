<script lang="ts">
	import PanelHead from '$lib/ui/parts/PanelHead.svelte';
	import Button from '$lib/ui/parts/Button.svelte';
	import { prefs } from '$lib/state/prefs.svelte';
	import { plainName } from '$core/pitch';
	import { proseSigns } from '$core/chord';
	import { keyPitch } from '$lib/input/computer-keys';
	import { isTyping } from '$lib/state/focus';
	import { useKeys, useLetters } from '$lib/state/keys';
	import { PLAY_IN } from '$lib/words/keys/phrase';
	import { BAND } from '$lib/words/keys/everywhere';
	import { PLAY_GRIDS, type PlayIn } from '$lib/state/play-in.svelte';
	import type { PhraseDesk } from '$lib/state/phrase-desk.svelte';
	import { useTransport } from '$lib/state/transport.svelte';
	import Choice from '$lib/ui/parts/Choice.svelte';
	import KeyCap from '$lib/ui/parts/KeyCap.svelte';
	import { plural } from '$lib/words/words';

	/** A motif is played in: what plays, how it is put in time, and how to end. */
	let { desk, input }: { desk: PhraseDesk; input: PlayIn } = $props();
	const transport = useTransport();

	const LETTERS = ['QWERTYUI', 'ASDFGHJK', 'ZXCVBNM,'];
	const { chord } = $derived(input);
	/** What a key plays, named as the chord and its scale do. */
	function nameOf(midi: number): string {
		const pc = midi % 12;
		const tone = chord?.tones.find((entry) => entry.pc === pc);
		const degree = desk.open.scaleFor(chord)?.notes.find((entry) => entry.pc === pc);
		return prefs.name(tone?.name ?? degree?.name ?? plainName(pc));
	}
	const rows = $derived(
		LETTERS.map((letters, i) =>
			(input.rows[LETTERS.length - 1 - i] ?? [])
				.slice(0, letters.length)
				.map((midi, k) => ({ letter: letters[k], midi, name: nameOf(midi) }))
		)
	);
	const grids = PLAY_GRIDS.map(({ ticks, name }) => ({ value: String(ticks), name }));

	useKeys(
		PLAY_IN,
		{
			hold: () => input.hold(),
			rest: () => input.rest(),
			back: () => input.back(),
			take: () => input.finish(),
			stop: () => input.stop()
		},
		{ level: 'part' }
	);
	useLetters((event) => {
		const held = event.altKey || event.ctrlKey || event.metaKey;
		if (held || isTyping(event.target)) return false;
		const midi = keyPitch(event.code, event.shiftKey, input.rows);
		if (midi === null) return false;
		if (!event.repeat) input.strike(midi);
		return true;
	});
	function up(event: KeyboardEvent): void {
		const midi = keyPitch(event.code, event.shiftKey, input.rows);
		if (midi !== null) input.release(midi);
	}
</script>

<svelte:window onkeyupcapture={up} />

<section class="grid grid-cols-[minmax(0,1fr)] gap-2.5" aria-label="Play it in">
	<PanelHead title="Play it in" note={plural(input.notes.length, 'note')} live />
	<p data-part="so-far" class="min-h-6 font-mono font-bold wrap-anywhere">
		{input.motif ? proseSigns(desk.text ?? '…') : 'Touch the neck, or play the keys.'}
	</p>
	<div aria-hidden="true">
		{#each rows as row, i (i)}
			<div class="mb-1 flex gap-1" style:padding-left="{i * 10}px">
				{#each row as { letter, name, midi } (letter)}
					<span
						class="w-8 border-[1.5px] border-strong pt-0.5 pb-1 text-center text-reason leading-tight font-bold data-root:border-now-line data-root:bg-now-tint"
						data-root={name === nameOf(input.rows[0]?.[0] ?? midi) || undefined}
						><small class="block font-mono text-count font-medium text-second">{letter}</small
						>{name}</span
					>
				{/each}
			</div>
		{/each}
	</div>
	<p class="text-reason text-second">
		Three rows of letters, an octave each; with <KeyCap of={PLAY_IN.sharp} /> a semitone higher.
	</p>
	<Choice
		label="Put on"
		options={grids}
		value={String(input.grid)}
		onchange={(grid) => (input.grid = Number(grid))}
	/>
	{#if transport.playing}
		<p class="font-bold">
			{#if transport.heard.kind === 'counting'}
				Counting in: {transport.heard.count}
			{:else if transport.heard.kind === 'playing'}
				The band plays: your own time counts, the last time through.
			{:else}
				Getting ready …
			{/if}
		</p>
	{:else}
		<ul class="flex flex-wrap items-center gap-x-4 gap-y-1.5 text-reason">
			<li><KeyCap of={PLAY_IN.hold} /> longer</li>
			<li><KeyCap of={PLAY_IN.rest} /> air</li>
			<li><KeyCap of={PLAY_IN.back} /> one back</li>
			<li>
				<KeyCap of={BAND.play} /> with the band
			</li>
		</ul>
	{/if}
	<p class="flex flex-wrap items-center gap-x-4 gap-y-1.5">
		<Button look="main" disabled={input.motif === null} onclick={() => input.finish()}
			>Take it <KeyCap of={PLAY_IN.take} /></Button
		>
		<Button look="quiet" onclick={() => input.stop()}>Give up <KeyCap of={PLAY_IN.stop} /></Button>
		{#if input.notes.length > 0}
			<Button look="quiet" onclick={() => input.clear()}>Begin again</Button>
		{/if}
	</p>
	<div class="text-reason text-second" role="status">
		{#if input.midi === 'on'}
			{input.devices.length > 0
				? `Listening to ${input.devices.join(', ')}.`
				: 'MIDI is on, but nothing is plugged in. Plug it in now; it will be heard.'}
		{:else if input.midi === 'missing'}
			This browser gives no MIDI here. It needs a secure address (https, or this computer itself);
			the neck and the keys work everywhere.
		{:else if input.midi === 'refused'}
			MIDI was refused. Allow it for this page in the browser, then
			<Button look="quiet" onclick={() => void input.useMidi()}>ask again</Button>.
		{:else}
			<Button look="quiet" disabled={input.midi === 'asking'} onclick={() => void input.useMidi()}
				>{input.midi === 'asking' ? 'Asking for MIDI …' : 'Listen to MIDI'}</Button
			>
		{/if}
	</div>
</section>
