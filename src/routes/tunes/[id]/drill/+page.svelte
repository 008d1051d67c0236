<script lang="ts">
	import { afterNavigate, replaceState } from '$app/navigation';
	import { page } from '$app/state';
	import { proseSigns } from '$core/chord';
	import { highestFret, pitchAt, type Place } from '$core/neck';
	import { keyRows } from '$core/phrase';
	import { msOfTicks, QUARTER } from '$core/kernel';
	import { USUAL_TOLERANCE, type HandGrade } from '$core/practice';
	import { keyPitch } from '$lib/input/computer-keys';
	import { DrillDesk, type Ear } from '$lib/state/drill/drill-desk.svelte';
	import { isTyping, onKeys } from '$lib/state/keys';
	import { inputPrefs, Listening } from '$lib/state/listening.svelte';
	import { useTune } from '$lib/state/open-tune.svelte';
	import { prefs } from '$lib/state/prefs.svelte';
	import { useTransport } from '$lib/state/transport.svelte';
	import CareNote from '$lib/ui/CareNote.svelte';
	import DrillInspector from '$lib/ui/drill/DrillInspector.svelte';
	import DrillNow from '$lib/ui/drill/DrillNow.svelte';
	import {
		HAND_WORDS,
		passRemarks,
		passVerdict,
		said,
		slipSentence
	} from '$lib/ui/drill/drill-words';
	import { fallenResults, worstResults } from '$lib/ui/drill/pass-results';
	import { stripRows } from '$lib/ui/drill/pass-strip';
	import PassStrip from '$lib/ui/drill/PassStrip.svelte';
	import FootKeys from '$lib/ui/FootKeys.svelte';
	import KeyCap from '$lib/ui/KeyCap.svelte';
	import Later from '$lib/ui/Later.svelte';
	import Neck from '$lib/ui/Neck.svelte';
	import type { Figure } from '$lib/draw/figure';
	import TuneBar from '$lib/ui/TuneBar.svelte';
	import { plural } from '$lib/words/words';
	import { onMount, untrack } from 'svelte';
	import { toast } from 'svelte-sonner';
	import type { PageData } from './$types';

	let { data }: { data: PageData } = $props();
	const open = useTune();
	const transport = useTransport();
	const desk = untrack(
		() => new DrillDesk(open, transport, data, page.url.searchParams.get('key'), ear)
	);
	const listening: Listening = new Listening(desk.listener, () => transport.stop());
	function ear(): Ear {
		return { input: listening.kind, latencyMs: inputPrefs.latencyOf(listening.kind) };
	}
	/** Ms after a beat that a change is waited for before it counts as silent. */
	const WAITS_MS = 200;
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
	const playing = $derived(desk.pass !== null);
	const { chart } = $derived(open);
	const targets = $derived(desk.plan.made?.targets ?? []);
	/** How changes came out: of the pass that plays, once they are over; else of the last one. */
	const results = $derived.by(() => {
		const { phase } = desk;
		if (phase.kind !== 'running') return worstResults(desk.done?.judgement ?? null);
		const { pass, elapsed, live } = phase;
		const waits = msOfTicks(QUARTER, pass.setup.tempo) + WAITS_MS;
		return fallenResults(live, (change) => elapsed >= pass.dueOf(change) + waits);
	});
	const done = $derived(desk.done);
	const verdict = $derived(done ? passVerdict(done.summary) : null);
	const slips = $derived(
		done
			? done.summary.slips.slice(0, 3).flatMap((slip) => {
					const change = results.get(slip.index);
					return change
						? [
								slipSentence(
									chart,
									change,
									targets.find((one) => one.change === slip.index),
									done.request.range
								)
							]
						: [];
				})
			: []
	);
	const remarks = $derived(done ? passRemarks(done.judgement) : []);
	const comes = $derived(targets.find((target) => target.change === open.cursor) ?? null);

	/** The worst slip on the neck: from the landing before it to the one that was missed. */
	const worst = $derived.by((): Figure | null => {
		const slip = done?.summary.slips[0];
		const to = targets.find((target) => target.change === slip?.index);
		if (!slip || !to) return null;
		const from = targets.findLast((target) => target.change < slip.index);
		const label = (target: typeof to) =>
			prefs.label({ role: target.role, name: target.name, pc: target.midi % 12 });
		return {
			kind: 'path',
			notes: [
				...(from
					? [{ string: from.string, fret: from.fret, now: from.role, label: label(from) }]
					: []),
				{ string: to.string, fret: to.fret, next: to.role, label: label(to) }
			],
			words: `Land on ${label(to)}, string ${to.string}, fret ${to.fret}`
		};
	});
	const rowCount = $derived(stripRows(chart, desk.range, transport.swing, [], width).length);
	const frets = $derived({
		from: Math.max(0, open.position - 2),
		to: Math.min(highestFret(open.instrument), open.position + 5)
	});

	const firstChord = $derived(chart.changes[0]?.to.chord ?? null);
	const rows = $derived(
		firstChord ? keyRows(firstChord, open.scale, open.instrument, open.position) : []
	);
	/** Letters are notes while the player plays on them. */
	function down(event: KeyboardEvent): void {
		// Tempo and bars stay as they are while a pass is judged.
		if (playing && ['q', 'y', '-', '=', '+'].includes(event.key)) event.stopPropagation();
		const notes = playing || listening.measuring !== null;
		if (!notes || listening.kind !== 'neck' || isTyping(event.target)) return;
		if (event.altKey || event.ctrlKey || event.metaKey) return;
		const midi = keyPitch(event.code, event.shiftKey, rows);
		if (midi === null) return;
		event.preventDefault();
		event.stopPropagation();
		if (!event.repeat) listening.strike(midi, event.timeStamp);
	}
	function up(event: KeyboardEvent): void {
		const midi = keyPitch(event.code, event.shiftKey, rows);
		if (midi !== null) listening.release(midi, event.timeStamp);
	}
	function touch(place: Place): void {
		const midi = pitchAt(open.instrument, place);
		const now = performance.now();
		listening.strike(midi, now);
		setTimeout(() => listening.release(midi, performance.now()), 400);
	}

	async function byHand(grade: HandGrade): Promise<void> {
		const trouble = await desk.byHand(grade);
		toast(
			trouble ?? `Logged: ${HAND_WORDS[grade].toLowerCase()} at ${Math.round(desk.place.tempo)}.`
		);
	}
	const lower = (text: string) => text.charAt(0).toLowerCase() + text.slice(1);

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
	const keys = onKeys({
		Enter: () => void go(),
		PageDown: () => void go(),
		PageUp: () => void back(),
		ArrowLeft: () => void back(),
		ArrowRight: () => void go(),
		r: () => {
			if (!playing) building = true;
		},
		ArrowUp: () => desk.setTempo(desk.place.tempo + desk.drill.ladder.step),
		ArrowDown: () => desk.setTempo(desk.place.tempo - desk.drill.ladder.step),
		w: () => void desk.warm(desk.aside === null || desk.aside === 'pass' ? 'shape' : desk.aside),
		h: () => void byHand('clean'),
		j: () => void byHand('nearly'),
		k: () => void byHand('not'),
		'[': () => toPlace(-1),
		']': () => toPlace(1),
		',': () => open.step(-1),
		'.': () => open.step(1),
		'Shift+.': () => toKey(1),
		Escape: () => transport.stop()
	});
</script>

<svelte:window onkeydown={keys} onkeydowncapture={down} onkeyup={up} />
<svelte:head><title>{open.saved.title} · Drill · Arc Step</title></svelte:head>

<TuneBar />
<CareNote />

<div class="with-inspector">
	<main id="main" class="screen">
		{#if chart.changes.length === 0}
			<h1>There is no chord to land on yet.</h1>
			<p><a class="act" href="/tunes/{open.saved.id}/chart">Write the chart</a></p>
		{:else}
			<div class="verdict saying">
				{#if playing}
					<h1>
						{desk.looped
							? `Loop at ${Math.round(desk.nextTempo)}.`
							: `Pass at ${Math.round(desk.nextTempo)}.`}
					</h1>
					<p>
						{plural(
							desk.live?.changes.filter((one) => one.result === 'landed' || one.result === 'held')
								.length ?? 0,
							'change'
						)} landed so far
					</p>
				{:else if verdict && done}
					<h1>{verdict.head}</h1>
					<p>
						{done.stopped ? 'Stopped on the way; what was played is kept. ' : ''}{verdict.rest}
						{#each verdict.bars as bar (bar)}
							<button
								type="button"
								class="bar"
								onclick={() => {
									const change = chart.changes.find((one) => one.bar === bar);
									if (change) open.cursor = change.index;
								}}>bar {bar}</button
							>
						{/each}
					</p>
				{:else}
					<h1>Land every change at {Math.round(desk.place.tempo)}.</h1>
					<p>One bar is counted in; play along. What you miss shows afterwards.</p>
				{/if}
			</div>
			<p class="rule">
				<b>{desk.line}</b>
				<button type="button" class="quiet" disabled={playing} onclick={() => (building = true)}
					>change the rule <KeyCap keys="R" /></button
				>
			</p>
			<div class="bleed strips" bind:clientWidth={width}>
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
			{#if desk.plan.trouble}<p class="wrong">{desk.plan.trouble}</p>{/if}
			{#if playing}
				<DrillNow target={comes} {width} />
			{:else}
				<div class="step">
					<div>
						<h2>
							{done
								? `Next: ${lower(said(done.next.text))}`
								: `Start at ${Math.round(desk.nextTempo)}.`}
						</h2>
						{#if done}<p>{said(done.next.reason)}</p>{/if}
					</div>
					<button type="button" class="next" onclick={() => void go()}>
						{done ? (done.next.kind === 'loop' ? 'Start the loop' : 'Go on') : 'Start'}
						<KeyCap keys="Enter" />
					</button>
				</div>
			{/if}
			<Later>
				<div class="below">
					<div class="neck">
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
							height={rowCount === 1 ? 250 : playing ? 162 : 196}
							onposition={(position) => {
								if (playing) return;
								open.moveTo(position);
								desk.choose(open.position, desk.drill.key);
							}}
							onplace={listening.kind === 'neck' ? touch : undefined}
						/>
					</div>
					<ul class="slips" aria-label="What slipped">
						{#each slips as [head, rest] (head + rest)}
							<li><b>{head}</b> {rest}</li>
						{/each}
						{#each remarks as [head, rest] (head + rest)}<li><b>{head}</b> {rest}</li>{/each}
						{#if done?.trouble}<li class="wrong" role="alert">{done.trouble}</li>{/if}
					</ul>
				</div>
			</Later>
		{/if}
		<FootKeys
			keys={[
				['Space', 'form'],
				['PgDn', 'pedal: next step'],
				['PgUp', done ? 'pedal: hear this pass' : 'pedal: form'],
				['↑ ↓', 'tempo'],
				['[ ]', 'place'],
				['F', 'stand view']
			]}
		/>
	</main>
	<aside class="inspector" aria-label="Ladder and results">
		<Later><DrillInspector {desk} {listening} onhand={(grade) => void byHand(grade)} /></Later>
	</aside>
</div>
{#if building}
	{#await import('$lib/ui/drill/DrillBuilder.svelte') then Builder}
		<Builder.default {desk} onclose={() => (building = false)} />
	{/await}
{/if}

<style>
	.saying {
		column-gap: 12px;
	}
	.saying h1 {
		font-size: 25px;
	}
	.bar {
		font-weight: 700;
		color: var(--ink);
		border-bottom: 2px solid var(--ink);
		margin-left: 8px;
	}
	.rule {
		display: flex;
		align-items: center;
		justify-content: space-between;
		gap: 12px;
		border-top: 2px solid var(--ink);
		border-bottom: 1px solid var(--hair);
		min-height: 34px;
		margin-bottom: 8px;
		font-size: 15px;
	}
	.rule .quiet {
		font-weight: 400;
		font-size: 13px;
		white-space: nowrap;
	}
	.strips {
		min-width: 0;
	}
	.step {
		display: flex;
		align-items: center;
		justify-content: space-between;
		gap: 16px;
		min-height: 56px;
		border-bottom: 2px solid var(--ink);
	}
	.step h2 {
		font-size: 25px;
	}
	.step p {
		color: var(--second);
		font-size: 14px;
	}
	.next {
		display: inline-flex;
		align-items: center;
		gap: 12px;
		min-height: 44px;
		padding: 0 14px;
		font-weight: 700;
		font-size: 16px;
		white-space: nowrap;
		background: var(--next-tint);
		border-left: 6px solid var(--next);
	}
	.below {
		display: grid;
		grid-template-columns: minmax(0, 1.25fr) minmax(0, 1fr);
		gap: 20px;
		padding-top: 8px;
	}
	.neck {
		min-width: 0;
		overflow: hidden;
	}
	.slips li {
		padding: 7px 0;
		border-bottom: 1px solid var(--hair);
		font-size: 14px;
		color: var(--second);
	}
	.slips b {
		color: var(--ink);
	}
	@media (max-width: 760px) {
		.below {
			grid-template-columns: minmax(0, 1fr);
		}
		.rule,
		.step {
			flex-wrap: wrap;
			padding: 6px 0;
		}
	}
</style>
