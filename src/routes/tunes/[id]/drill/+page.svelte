<script lang="ts">
	import { fetched } from '$lib/state/fetched';
	import FirstVisit from '$lib/ui/FirstVisit.svelte';
	import { BAND } from '$lib/words/keys/everywhere';
	import { DRILL } from '$lib/words/keys/drill';
	import Screen from '$lib/ui/parts/Screen.svelte';
	import Button from '$lib/ui/parts/Button.svelte';
	import { afterNavigate, replaceState } from '$app/navigation';
	import { page } from '$app/state';
	import { proseSigns } from '$core/chord';
	import { highestFret } from '$core/neck';
	import { USUAL_TOLERANCE, type HandGrade } from '$core/practice';
	import { DrillDesk, type Ear } from '$lib/state/drill/drill-desk.svelte';
	import { useKeys, useLetters } from '$lib/state/keys';
	import { inputPrefs, Listening } from '$lib/state/listening.svelte';
	import { useTune } from '$lib/state/open-tune.svelte';
	import { useTransport } from '$lib/state/transport.svelte';
	import CareNote from '$lib/ui/CareNote.svelte';
	import DrillInspector from '$lib/ui/drill/DrillInspector.svelte';
	import DrillNow from '$lib/ui/drill/DrillNow.svelte';
	import { DrillView } from '$lib/ui/drill/drill-view.svelte';
	import { HAND_WORDS } from '$lib/ui/drill/drill-words';
	import DrillHead from '$lib/ui/drill/DrillHead.svelte';
	import DrillNext from '$lib/ui/drill/DrillNext.svelte';
	import { stripRows } from '$lib/ui/drill/pass-strip';
	import PassStrip from '$lib/ui/drill/PassStrip.svelte';
	import { NeckNotes } from '$lib/ui/drill/neck-notes.svelte';
	import FootKeys from '$lib/ui/FootKeys.svelte';
	import KeyCap from '$lib/ui/parts/KeyCap.svelte';
	import Later from '$lib/ui/Later.svelte';
	import Neck from '$lib/ui/Neck.svelte';
	import TuneBar from '$lib/ui/TuneBar.svelte';
	import { onMount, untrack } from 'svelte';
	import { toast } from 'svelte-sonner';
	import type { PageData } from './$types';

	let { data }: { data: PageData } = $props();
	const open = useTune();
	const transport = useTransport();
	const desk = untrack(
		() => new DrillDesk(open, transport, data, page.url.searchParams.get('key'), ear)
	);
	const view = new DrillView(desk, open);
	const listening: Listening = new Listening(desk.listener, () => transport.stop());
	function ear(): Ear {
		return { input: listening.kind, latencyMs: inputPrefs.latencyOf(listening.kind) };
	}
	let building = $state(false);
	let width = $state(824);

	onMount(() => {
		inputPrefs.load();
		listening.resume();
		const giveBack = transport.ledBy({
			begin: () => void go(true),
			// Marks fall with the beat, not only with notes: what stays silent is seen, too.
			heard: () => desk.hear(),
			ended: (byItself, elapsed) => desk.end(byItself, elapsed),
			// A pass is judged at one tempo.
			steady: () => desk.pass !== null
		});
		return () => {
			giveBack();
			listening.close();
			desk.close();
		};
	});
	// The address of today's list starts the drill once; a reload does not.
	afterNavigate(() => {
		const url = new URL(location.href);
		if (!url.searchParams.has('start')) return;
		url.searchParams.delete('start');
		replaceState(url, page.state);
		void go(true);
	});
	// The bar at the top shows the tempo of the next pass.
	$effect(() => {
		if (!playing) transport.setTempo(desk.nextTempo);
	});
	const { playing, targets, results, comes, worst } = $derived(view);
	const { done } = $derived(desk);
	const { chart } = $derived(open);
	const rowCount = $derived(stripRows(chart, desk.range, transport.swing, [], width).length);
	const frets = $derived({
		from: Math.max(0, open.position - 2),
		to: Math.min(highestFret(open.instrument), open.position + 5)
	});

	const struck: NeckNotes = new NeckNotes(open, listening, () => playing);
	async function byHand(grade: HandGrade): Promise<void> {
		const trouble = await desk.byHand(grade);
		toast(
			trouble ?? `Logged: ${HAND_WORDS[grade].toLowerCase()} at ${Math.round(desk.place.tempo)}.`
		);
	}
	function toKey(by: number): void {
		const { keys } = desk;
		if (keys.length === 0 || playing) return;
		const at = keys.indexOf(desk.drill.key ?? keys[0]);
		const next = keys[(at + by + keys.length) % keys.length];
		desk.choose(open.position, next === keys[0] ? null : next);
		toast(`In ${proseSigns(next)}.`);
	}
	function toPlace(by: number): void {
		if (playing) return;
		open.moveTo(open.position + by);
		desk.choose(open.position, desk.drill.key);
	}
	/** A microphone that may hear the band is tried first: it must not judge the band. */
	async function go(again = false): Promise<void> {
		if (playing) return transport.stop();
		if (!(await listening.ready())) return;
		await (done && !again ? desk.follow() : desk.again());
	}
	/** One back: the pass that is over is heard again; before the first one there is only the form. */
	async function back(): Promise<void> {
		if (!done) return go(true);
		if (done.request.events.length === 0) toast('Nothing was played in this pass.');
		else await desk.hearPass();
	}
	useKeys(DRILL, {
		go: () => go(),
		back,
		rule: () => {
			if (!playing) building = true;
		},
		tempo: (by) => desk.setTempo(desk.place.tempo + by * desk.drill.ladder.step),
		place: toPlace,
		change: (by) => open.step(by),
		nextKey: () => toKey(1),
		clean: () => byHand('clean'),
		nearly: () => byHand('nearly'),
		not: () => byHand('not'),
		warm: () => desk.warm(desk.aside === null || desk.aside === 'pass' ? 'shape' : desk.aside),
		stop: () => transport.stop()
	});
	useLetters(struck.down);
</script>

<svelte:window onkeyup={struck.up} />
<svelte:head><title>{open.saved.title} · Drill · Arc Step</title></svelte:head>

<TuneBar />
{#if !playing}<CareNote />{/if}

<Screen about="Ladder and results">
	{#snippet first()}{#if !playing}<FirstVisit screen="drill" />{/if}{/snippet}
	{#if chart.changes.length === 0}
		<h1>There is no chord to land on yet.</h1>
		<p><Button href="/tunes/{open.saved.id}/chart">Write the chart</Button></p>
	{:else}
		<DrillHead {desk} {view} {open} />
		<p
			data-part="rule"
			class="mb-2 flex min-h-8.5 items-center justify-between gap-3 border-t-2 border-b border-t-ink border-b-hair text-line max-tablet:flex-wrap max-tablet:px-0 max-tablet:py-1.5"
		>
			<b>{desk.line}</b>
			<Button
				look="quiet"
				size="small"
				class="font-normal whitespace-nowrap"
				disabled={playing}
				onclick={() => (building = true)}>change the rule <KeyCap of={DRILL.rule} /></Button
			>
		</p>
		<div data-part="strips" class="-mr-4 min-w-0" bind:clientWidth={width}>
			<Later height={120}>
				<PassStrip
					{chart}
					range={desk.range}
					swing={transport.swing}
					{targets}
					{results}
					marked={done?.next.kind === 'loop' ? done.next.range : null}
					now={playing || desk.aside === 'pass' ? (open.before?.index ?? null) : null}
					next={playing || desk.aside === 'pass' ? open.cursor : null}
					toleranceMs={USUAL_TOLERANCE}
					{width}
				/>
			</Later>
		</div>
		{#if desk.plan.trouble}<p class="text-reason font-bold empty:hidden">
				{desk.plan.trouble}
			</p>{/if}
		{#if playing}
			<DrillNow target={comes} {width} />
		{:else}
			<DrillNext {desk} ongo={() => void go()} />
		{/if}
		<Later>
			<div
				class="grid grid-cols-[minmax(0,1.25fr)_minmax(0,1fr)] gap-5 pt-2 max-tablet:grid-cols-[minmax(0,1fr)]"
			>
				<div class="min-w-0 overflow-hidden">
					<Neck
						instrument={open.held}
						position={open.position}
						now={open.now}
						next={open.next}
						scale={open.scaleFor(open.now)}
						every={listening.kind === 'neck'}
						figure={worst}
						target={!worst && comes ? { ...comes, bar: chart.changes[comes.change].bar } : null}
						{...frets}
						height={rowCount === 1 ? 250 : playing ? 176 : 196}
						onposition={(position) => {
							if (playing) return;
							open.moveTo(position);
							desk.choose(open.position, desk.drill.key);
						}}
						onplace={listening.kind === 'neck' ? struck.touch : undefined}
					/>
				</div>
				<ul data-part="slips" aria-label="What slipped">
					{#each view.remarks as [head, rest] (head + rest)}
						<li class="border-b border-hair py-2 text-line text-second">
							<b class="text-ink">{head}</b>
							{rest}
						</li>
					{/each}
					{#if done?.trouble}<li
							class="border-b border-hair px-0 py-2 text-line text-reason font-bold text-second empty:hidden"
							role="alert"
						>
							{done.trouble}
						</li>{/if}
				</ul>
			</div>
		</Later>
	{/if}
	<FootKeys
		keys={[
			...[DRILL.again, DRILL.pedal],
			[DRILL.back, done ? 'pedal: hear this pass' : 'pedal: form'],
			...[DRILL.tempo, DRILL.place, BAND.stand]
		]}
	/>
	{#snippet inspector()}
		<Later><DrillInspector {desk} {listening} onhand={(grade) => void byHand(grade)} /></Later>
	{/snippet}
</Screen>
{#if building}
	{#await fetched(() => import('$lib/ui/drill/DrillBuilder.svelte')) then Builder}
		<Builder.default {desk} onclose={() => (building = false)} />
	{/await}
{/if}
