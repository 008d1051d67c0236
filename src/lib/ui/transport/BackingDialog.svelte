<script lang="ts">
	import Check from '$lib/ui/parts/Check.svelte';
	import Select from '$lib/ui/parts/Select.svelte';
	import { field } from '$lib/ui/parts/field';
	import Dialog from '$lib/ui/parts/Dialog.svelte';
	import DialogLeave from '$lib/ui/parts/DialogLeave.svelte';
	import Button from '$lib/ui/parts/Button.svelte';
	import { QUARTER, TEMPO, clamp, tempoWithin } from '$core/kernel';
	import { MOST_CHORUSES, PARTS, type Part } from '$core/band';
	import { circleOf, keyName, parseChart, transposeText } from '$core/chart';
	import { keyOf } from '$core/harmony';
	import { intervalBetween, noteName, parseNote, pitchClass } from '$core/pitch';
	import { proseSigns, signs } from '$core/chord';
	import { backingMidi, type BackingRequest } from '$lib/audio/backing';
	import { soundPrefs } from '$lib/state/sound-prefs.svelte';
	import type { Transport } from '$lib/state/transport.svelte';
	import { renderWav, type Rendering } from '$lib/audio/sounds';
	import { untrack } from 'svelte';

	/** The backing of the tune as a file: any key, any tempo, so many times through, the parts that are wanted. */
	let { shown = $bindable(), transport }: { shown: boolean; transport: Transport } = $props();

	const key = $derived(keyOf(transport.chart));
	/** The tonics of the circle, the tune's own first. */
	const keys = $derived.by(() => {
		if (!key) return [];
		const circle = circleOf(key.mode);
		const at = circle.findIndex((name) => {
			const note = parseNote(name);
			return note !== null && pitchClass(note) === pitchClass(key.tonic);
		});
		return [noteName(key.tonic), ...circle.slice(at + 1), ...circle.slice(0, at)];
	});
	let tonic = $state(untrack(() => (key ? noteName(key.tonic) : '')));
	let tempo = $state(untrack(() => Math.round(transport.played)));
	let choruses = $state(2);
	let countIn = $state(untrack(() => soundPrefs.current.countIn as number));
	let parts: Part[] = $state(['drums', 'bass', 'chords']);
	let share: number | null = $state(null);
	let trouble = $state('');
	let done = $state('');
	let rendering: Rendering | null = null;

	const moved = $derived(key !== null && tonic !== noteName(key.tonic));
	const NAMES: Record<Part, string> = {
		drums: 'drums',
		bass: 'bass',
		chords: 'chords',
		line: 'line',
		click: 'click'
	};
	const seconds = $derived.by(() => {
		const last = transport.chart.played.at(-1);
		const quarters = ((last?.startTick ?? 0) + (last?.lengthTicks ?? 0)) / QUARTER;
		return Math.round((quarters * choruses * 60) / tempo);
	});
	const length = $derived(`${Math.floor(seconds / 60)}:${String(seconds % 60).padStart(2, '0')}`);

	function chartText(): string {
		const { draft, open } = transport;
		const text = draft?.text ?? open.saved.chart;
		const goal = parseNote(tonic);
		if (!moved || !key || !goal) return text;
		return transposeText(text, intervalBetween(key.tonic, goal));
	}
	function request(): BackingRequest {
		const { faders, current } = soundPrefs;
		const chart = chartText();
		return {
			chart,
			// In another key the line has other places: only the tune's own is sounded.
			line: parts.includes('line') && !moved ? $state.snapshot(transport.line) : [],
			tempo: tempoWithin(tempo),
			swing: current.swing || undefined,
			voice: current.voice === 'auto' ? undefined : current.voice,
			choruses: clamp(Math.round(choruses), 1, MOST_CHORUSES),
			countInBars: countIn,
			parts: $state.snapshot(parts),
			click: soundPrefs.click,
			// Silence and solo are for playing along; a file holds what is ticked here.
			faders: Object.fromEntries(
				PARTS.map((part) => [part, { ...faders[part], muted: false, solo: false }])
			) as BackingRequest['faders']
		};
	}
	const fileName = (ending: string) => {
		const title = (parseChart(chartText()).headers.title ?? 'tune').trim();
		const where = moved ? ` in ${tonic}` : '';
		return `${title}${where} ${tempo}.${ending}`.replace(/[\\/:*?"<>|]/g, '-');
	};
	function hand(bytes: Uint8Array<ArrayBuffer>, type: string, ending: string): void {
		const url = URL.createObjectURL(new Blob([bytes], { type }));
		const link = document.createElement('a');
		link.href = url;
		link.download = fileName(ending);
		link.click();
		setTimeout(() => URL.revokeObjectURL(url), 10_000);
		done = `${link.download} is ready.`;
	}
	async function wav(): Promise<void> {
		share = 0;
		trouble = done = '';
		try {
			rendering = renderWav(request(), (at) => {
				// A word that was on its way when it was cancelled comes too late.
				if (rendering) share = at;
			});
			const bytes = await rendering.done;
			if (bytes) hand(bytes, 'audio/wav', 'wav');
		} catch {
			trouble =
				'Rendering failed: the sounds did not load or memory ran out. Try fewer times through.';
		} finally {
			rendering = null;
			share = null;
		}
	}
	async function midi(): Promise<void> {
		trouble = done = '';
		hand(await backingMidi(request()), 'audio/midi', 'mid');
	}
	const toggle = (part: Part) =>
		(parts = parts.includes(part) ? parts.filter((other) => other !== part) : [...parts, part]);

	const fields = field();
</script>

<Dialog
	bind:open={shown}
	title="Take the backing away"
	lead="The band of this tune as a sound file, or as MIDI for another program."
	width="small"
	onclose={() => rendering?.cancel()}
	class="grid gap-3.5"
	part="backing"
>
	<div class="grid grid-cols-[repeat(auto-fit,minmax(200px,1fr))] gap-x-5 gap-y-3">
		{#if keys.length > 0}
			<Select
				label="Key"
				options={keys.map((note, i) => ({
					value: note,
					name: `${signs(note)}${i === 0 && key ? `, as written (${proseSigns(keyName(key))})` : ''}`
				}))}
				bind:value={tonic}
			/>
		{/if}
		<label class={fields.label()}
			>Tempo <input
				class={fields.control()}
				type="number"
				min={TEMPO.least}
				max={TEMPO.most}
				bind:value={tempo}
			/></label
		>
		<label class={fields.label()}
			>Times through
			<input
				class={fields.control()}
				type="number"
				min="1"
				max={MOST_CHORUSES}
				bind:value={choruses}
			/></label
		>
		<Select
			label="Count-in, bars"
			options={[0, 1, 2].map((n) => ({ value: String(n), name: n === 0 ? 'none' : String(n) }))}
			bind:value={() => String(countIn), (n) => (countIn = Number(n))}
		/>
	</div>
	<fieldset class="flex flex-wrap gap-x-5 gap-y-1">
		<legend class="text-reason text-second">What plays</legend>
		{#each PARTS as part (part)}
			<Check
				checked={parts.includes(part)}
				disabled={part === 'line' && (transport.line.length === 0 || moved)}
				onchange={() => toggle(part)}>{NAMES[part]}</Check
			>
		{/each}
	</fieldset>
	<p class="text-second">About {length} long.</p>
	<!-- The rows stay where they are: a control that vanishes under the pointer counts as outside. -->
	<div class="flex flex-wrap items-center gap-3.5" hidden={share === null}>
		<progress class="h-2.5 flex-1 accent-ink" max="1" value={share ?? 0} aria-label="Rendering"
		></progress>
		<Button onclick={() => rendering?.cancel()}>Cancel</Button>
	</div>
	<div class="flex flex-wrap items-center gap-3.5" hidden={share !== null}>
		<Button
			look="main"
			disabled={parts.length === 0 || !(tempo > 0) || !(choruses > 0)}
			onclick={() => void wav()}>Sound file (WAV)</Button
		>
		<Button
			disabled={parts.length === 0 || !(tempo > 0) || !(choruses > 0)}
			onclick={() => void midi()}>MIDI file</Button
		>
		<DialogLeave>Close</DialogLeave>
	</div>
	<p role="status" class="text-reason font-bold empty:hidden">{trouble || done}</p>
</Dialog>
