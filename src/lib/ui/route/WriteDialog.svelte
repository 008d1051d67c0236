<script lang="ts">
	import { fetched } from '$lib/state/fetched';
	import { WRITING } from '$lib/words/keys/route';
	import { field } from '$lib/ui/parts/field';
	import Dialog from '$lib/ui/parts/Dialog.svelte';
	import DialogLeave from '$lib/ui/parts/DialogLeave.svelte';
	import Button from '$lib/ui/parts/Button.svelte';
	import { clamp } from '$core/kernel';
	import { changeIndexAt, chartTicks } from '$core/chart';
	import { prefs } from '$lib/state/prefs.svelte';
	import {
		readNames,
		readTab,
		writeNames,
		writeTab,
		type LineText,
		type PlayedText,
		type TextNote,
		type TextProblem
	} from '$core/formats';
	import { pitchAt } from '$core/neck';
	import { pitchName, spelledPitch } from '$core/pitch';
	import { checkLine } from '$core/route';
	import type { NoteAnswer } from '$lib/api/plan-schema';
	import { useTune } from '$lib/state/open-tune.svelte';
	import { noteKey } from '$lib/state/note-key';
	import { provisionalLine } from '$lib/state/provisional';
	import type { RoutePlan } from '$lib/state/route-plan.svelte';
	import { untrack } from 'svelte';
	import { toast } from 'svelte-sonner';
	import Choice from '$lib/ui/parts/Choice.svelte';
	import KeyCap from '$lib/ui/parts/KeyCap.svelte';
	import { plural } from '$lib/words/words';
	import { weakSpots } from './weak-spots';

	/** A line of the player's own as text: tab or note names, judged while it is written. */
	type Props = {
		shown: boolean;
		plan: RoutePlan;
		/** Goes on note by note on the neck. */
		onwrite: () => void;
		/** The same from an empty strip. */
		onclear: () => void;
	};
	let { shown = $bindable(), plan, onwrite, onclear }: Props = $props();
	const open = useTune();
	const id = $props.id();
	let area: HTMLTextAreaElement;

	type Kind = 'tab' | 'names';
	let kind: Kind = $state('tab');
	/** A long chart is written from the bar that is looked at, so many bars at a time. */
	const MOST = 32;
	let fromBar = $state(
		untrack(() => (open.chart.played.length > MOST ? (open.change?.bar ?? 1) : 1))
	);
	const nameOf = (note: NoteAnswer) => spelledPitch(note.name, note.midi);
	/** The line as it stands, in the words of a format; bars of silence where there is none yet. */
	function written(as: Kind): string {
		const { chart, instrument } = open;
		const bars = chart.played.slice(fromBar - 1, fromBar - 1 + MOST);
		return as === 'tab'
			? writeTab(chart, instrument, plan.line, { bars })
			: writeNames(chart, plan.line, nameOf, bars);
	}
	let text = $state(untrack(() => written('tab')));
	type Read = LineText<TextNote & Partial<PlayedText>>;
	/** The text that the other way of writing was made from, and what it says: while nobody edits it, this is the line. */
	let source: {
		readonly kind: Kind;
		readonly text: string;
		readonly made: string;
		readonly read: Read;
	} | null = $state.raw(null);
	function change(to: Kind): void {
		if (to === kind) return;
		if (source?.kind === to && source.made === text) {
			// Nothing was changed there: what was typed is back as it was typed.
			[kind, text, source] = [to, source.text, null];
			return;
		}
		const { chart, instrument } = open;
		const bars = chart.played.slice(read.fromBar - 1, read.toBar);
		const named = new Map(whole.map((note) => [noteKey(note), nameOf(note)]));
		const name = (note: TextNote) =>
			named.get(noteKey(note)) ?? pitchName(pitchAt(instrument, note));
		const made =
			to === 'tab'
				? writeTab(chart, instrument, read.notes, { bars })
				: writeNames(chart, read.notes, name, bars);
		source = { kind, text, made, read };
		[kind, text] = [to, made];
	}
	const read: Read = $derived.by(() => {
		if (source && source.kind !== kind && source.made === text) return source.read;
		const { chart, instrument } = open;
		const start = chart.played[fromBar - 1]?.startTick ?? 0;
		const position = plan.handAt(changeIndexAt(chart, start));
		return kind === 'tab'
			? readTab(text, chart, instrument, fromBar)
			: readNames(text, chart, instrument, position, fromBar);
	});
	const own = $derived.by(() => {
		const { chart } = open;
		const from = chart.played[read.fromBar - 1]?.startTick ?? 0;
		const last = chart.played[read.toBar - 1];
		const to = last ? last.startTick + last.lengthTicks : chartTicks(chart);
		return plan.laid({ from, to }, read.notes);
	});
	/** The whole line as it would be with this text. */
	const whole = $derived.by(() => {
		const { chart, held: instrument } = open;
		const context = { chart, instrument, scales: plan.scales };
		return provisionalLine(context, plan.line, own.ways, own.silent);
	});
	const check = $derived.by(() => {
		const { chart, held: instrument, position } = open;
		const { colours } = plan.wishes.line;
		return checkLine({
			...{ chart, instrument, scales: plan.scales, notes: whole, colours },
			position: plan.roams ? null : position
		});
	});
	const weak = $derived(weakSpots(open.chart, check, (index) => plan.isLetPass(index)));
	const ready = $derived(read.problems.length === 0 && read.notes.length > 0);

	function show({ line, column, length }: TextProblem): void {
		const rows = text.split('\n');
		const before = rows.slice(0, line - 1).reduce((sum, row) => sum + row.length + 1, 0);
		area.focus();
		area.setSelectionRange(before + column - 1, before + column - 1 + Math.max(1, length));
	}
	async function put(): Promise<void> {
		if (!ready) return;
		shown = false;
		await plan.write(own);
		toast(`${plural(read.notes.length, 'note')} of your own are on the strip.`, {
			action: { label: 'Undo', onClick: () => plan.undo() }
		});
	}
	/** The field is as long as its text, within reason. */
	const rows = $derived(clamp(text.split('\n').length + 1, 8, 15));
	const KINDS = [
		{ value: 'tab', name: 'Tab' },
		{ value: 'names', name: 'Note names' }
	] as const;

	const fields = field();
</script>

<Dialog
	bind:open={shown}
	title="Your own line"
	width="wide"
	onopened={(event) => {
		event.preventDefault();
		area.focus();
		area.setSelectionRange(0, 0);
		area.scrollTop = 0;
	}}
>
	{#snippet lead()}
		{#if kind === 'tab'}
			One row a string, thinnest on top. What stands in one column is struck at once.
		{:else}
			Names share the time of their bar: eight in a bar of four beats are eighths. Octaves are those
			that sound: the thickest string is E2, which notation writes an octave higher.
		{/if}
	{/snippet}
	<div class="flex flex-wrap items-end gap-x-6 gap-y-2">
		<Choice label="Written as" options={KINDS} value={kind} onchange={change} />
		<label class={fields.label({ row: true })} for="{id}-bar"
			>begins in bar
			<input
				class={fields.control({ row: true, class: 'w-16' })}
				id="{id}-bar"
				type="number"
				min="1"
				max={open.chart.played.length}
				value={fromBar}
				onchange={(event) => {
					const bar = Math.round(event.currentTarget.valueAsNumber || 1);
					fromBar = clamp(bar, 1, open.chart.played.length);
				}}
			/></label
		>
	</div>
	<textarea
		class="my-2.5 block max-h-[44vh] w-full resize-y border-[1.5px] border-ink bg-lit px-3 py-2.5 font-mono text-line leading-snug text-ink"
		bind:this={area}
		bind:value={text}
		{rows}
		spellcheck="false"
		autocomplete="off"
		aria-label={kind === 'tab' ? 'Your line as tab' : 'Your line as note names'}
		aria-describedby="{id}-said"
		wrap="off"
		onkeydown={(event) => {
			if (event.key === 'Enter' && (event.ctrlKey || event.metaKey)) void put();
		}}></textarea>
	<details class="pb-2 text-reason">
		<summary class="cursor-pointer py-1 font-bold">Signs</summary>
		<dl class="grid grid-cols-[repeat(auto-fill,minmax(17rem,1fr))] gap-x-6 gap-y-0.5">
			{#await fetched(() => import('$lib/words/tab-signs')) then { NAME_SIGNS, TAB_SIGNS }}
				{#each kind === 'tab' ? TAB_SIGNS : NAME_SIGNS as [sign, means] (sign)}
					<div class="flex gap-2">
						<dt class="w-22 shrink-0 font-mono font-bold">{sign}</dt>
						<dd>{means}</dd>
					</div>
				{/each}
			{/await}
		</dl>
	</details>
	<div class="min-h-19.5 text-line" id="{id}-said" aria-live="polite">
		{#if read.problems.length > 0}
			<ul>
				{#each read.problems.slice(0, 4) as problem (`${problem.line}-${problem.column}-${problem.message}`)}
					<li class="py-px">
						<button
							class="mr-1.5 border-b-2 border-ink font-bold"
							type="button"
							onclick={() => show(problem)}>line {problem.line}, column {problem.column}</button
						>
						{prefs.prose(problem.message)}
					</li>
				{/each}
				{#if read.problems.length > 4}<li class="py-px">
						and {read.problems.length - 4} more
					</li>{/if}
			</ul>
		{:else if read.notes.length === 0}
			<p>No note is written yet. Put frets on the strings, or write note by note on the neck.</p>
		{:else}
			<p>
				<b>{prefs.prose(check.verdict)}</b>
				{plural(read.notes.length, 'note')} in bars {read.fromBar} to {read.toBar}.
			</p>
			{#if weak.length > 0}
				<ul>
					{#each weak.slice(0, 3) as spot (spot)}
						<li class="py-px"><b>{spot.where}</b> {prefs.prose(spot.text)}</li>
					{/each}
					{#if weak.length > 3}<li class="py-px">
							and {weak.length - 3} more weak spots
						</li>{/if}
				</ul>
			{/if}
		{/if}
	</div>
	<div class="mt-2 flex flex-wrap items-center gap-x-4 gap-y-3">
		<Button look="main" disabled={!ready} onclick={() => void put()}>Put it on the strip</Button>
		<Button
			onclick={() => {
				shown = false;
				onwrite();
			}}>Write on the neck <KeyCap of={WRITING.write} /></Button
		>
		<Button
			onclick={() => {
				shown = false;
				onclear();
			}}>Begin with an empty strip</Button
		>
		<DialogLeave>Close</DialogLeave>
	</div>
</Dialog>
