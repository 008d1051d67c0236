<script lang="ts">
	import FirstVisit from '$lib/ui/FirstVisit.svelte';
	import Screen from '$lib/ui/parts/Screen.svelte';
	import ScreenHead from '$lib/ui/parts/ScreenHead.svelte';
	import Button from '$lib/ui/parts/Button.svelte';
	import PanelHead from '$lib/ui/parts/PanelHead.svelte';
	import { goto } from '$app/navigation';
	import { highestFret, pitchAt, type Place } from '$core/neck';
	import { RHYTHMS } from '$core/phrase';
	import { afterParts } from '$lib/state/in-turn';
	import { useKeys } from '$lib/state/keys';
	import { PHRASE, PHRASE_PLACE } from '$lib/words/keys/phrase';
	import { useTune } from '$lib/state/open-tune.svelte';
	import { PhraseDesk, type Making } from '$lib/state/phrase-desk.svelte';
	import { incomingOf } from '$lib/state/phrase-incoming';
	import { PlayIn } from '$lib/state/play-in.svelte';
	import { useTransport } from '$lib/state/transport.svelte';
	import FootKeys from '$lib/ui/FootKeys.svelte';
	import Later from '$lib/ui/Later.svelte';
	import Neck from '$lib/ui/Neck.svelte';
	import MakeList from '$lib/ui/phrase/MakeList.svelte';
	import MotifLibrary from '$lib/ui/phrase/MotifLibrary.svelte';
	import MotifPanel from '$lib/ui/phrase/MotifPanel.svelte';
	import { phraseFigure } from '$lib/ui/phrase/phrase-figure';
	import { MADE, phraseVerdict } from '$lib/ui/phrase/phrase-words';
	import PhraseMatrix from '$lib/ui/phrase/PhraseMatrix.svelte';
	import PlayInPanel from '$lib/ui/phrase/PlayInPanel.svelte';
	import TalkRow from '$lib/ui/phrase/TalkRow.svelte';
	import TuneBar from '$lib/ui/TuneBar.svelte';
	import { onMount, untrack } from 'svelte';
	import type { PageData } from './$types';

	let { data }: { data: PageData } = $props();
	const open = useTune();
	const transport = useTransport();
	const desk = untrack(() => new PhraseDesk(open, data.motifs));
	const playIn = new PlayIn(desk, transport);
	let panel: MotifPanel | undefined = $state();
	let writing = $state(false);
	onMount(() => () => playIn.stop());
	// After the first drawing: the server does not know what this browser keeps.
	$effect(() => {
		const { id } = open.saved;
		untrack(() => desk.talk.load(id));
	});

	let width = $state(824);
	const narrow = $derived(width < 620);
	const columns = $derived(narrow ? 1 : desk.shown.length);
	const verdict = $derived(phraseVerdict(desk, columns));
	const figure = $derived(phraseFigure(desk, columns));
	const frets = $derived.by(() => {
		const there = figure?.notes.map((note) => note.fret) ?? [open.position];
		const high = highestFret(open.instrument);
		return {
			from: Math.max(0, Math.min(open.position - 2, ...there) - 1),
			to: Math.min(high, Math.max(open.position + 5, ...there) + 1)
		};
	});

	/** Only what is laid out here is heard over the band. */
	function hearIt(): void {
		if (transport.playing) {
			transport.stop();
			return;
		}
		const rule = desk.talk.parts ? 'call and answer' : MADE[desk.making].toLowerCase();
		const phrase = desk.phrase();
		transport.route = {
			notes: phrase.notes.map((note) => ({ ...note })),
			targets: [],
			handAt: (change) => desk.handAt(change),
			rule: `${desk.name}, ${rule}`
		};
		transport.loop = desk.barsOf(phrase);
		void transport.play();
	}
	/** Lays the phrase into the route: it stands there as the player's own notes. */
	async function intoLine(): Promise<void> {
		const incoming = incomingOf(desk);
		if (!incoming) return;
		open.incoming = incoming;
		await goto(`/tunes/${open.saved.id}/route?position=${open.position}`);
	}
	function strike(place: Place): void {
		if (playIn.on) playIn.strike(pitchAt(open.held, place));
	}
	$effect(() => {
		const caught = open.caught;
		if (!caught) return;
		untrack(() => {
			desk.take(caught.name, caught.motif);
			open.caught = null;
		});
	});

	useKeys(PHRASE_PLACE, { place: (by) => open.moveTo(open.position + by) });
	const make = (making: Making) => () => (desk.making = making);
	useKeys(
		PHRASE,
		{
			note: (by) => desk.pick(by),
			step: (by) => desk.lift(by),
			time: (by) => desk.later(240 * by),
			add: () => desk.add(),
			remove: () => desk.remove(),
			answer: make('answer'),
			sequence: make('sequence'),
			symmetric: make('symmetric'),
			displace: make('displace'),
			reverse: make('reverse'),
			moves: () => (desk.moves = !desk.moves),
			hear: hearIt,
			store: () => afterParts(() => void panel?.store()),
			playIn: () => playIn.start(),
			text: () => (writing = !writing),
			part: () => desk.nextPart(),
			lay: intoLine,
			change: (by) => open.step(by),
			undo: () => desk.drafts.undo(),
			redo: () => desk.drafts.redo()
		},
		// While a motif is played in the letters are notes.
		{ when: () => !playIn.on }
	);
</script>

<svelte:head><title>{open.saved.title} · Phrase · Arc Step</title></svelte:head>

<TuneBar>
	{#snippet actions()}
		<Button look="main" disabled={desk.shown.length === 0} onclick={() => void intoLine()}
			>Put in the line</Button
		>
	{/snippet}
</TuneBar>

<Screen about="Motif">
	{#snippet first()}<FirstVisit screen="phrase" />{/snippet}
	{#if desk.shown.length === 0}
		<h1>There is no chord to phrase over yet.</h1>
		<p>
			<Button href="/tunes/{open.saved.id}/chart">Write the chart</Button>
		</p>
	{:else}
		<ScreenHead class="gap-x-3">
			<h1 class="text-verdict">{verdict.head}</h1>
			<p class="text-line">{verdict.rest}</p>
		</ScreenHead>
		<div class="-mr-4 min-w-0 overflow-hidden" bind:clientWidth={width}>
			<Later>
				<PhraseMatrix {desk} {width} {narrow} />
			</Later>
		</div>
		{#if desk.problems.length > 0}
			{@const [first, ...more] = desk.problems}
			<details class="py-1 text-reason text-second">
				<summary class="cursor-pointer"
					>{first}{more.length > 0 ? ` And ${more.length} more.` : ''}</summary
				>
				<ul aria-label="Where it does not fit">
					{#each more as problem (problem)}<li>{problem}</li>{/each}
				</ul>
			</details>
		{/if}
		<div class="-mr-4 min-w-0 overflow-hidden">
			<Later height={202}>
				<Neck
					instrument={open.held}
					position={open.position}
					now={playIn.on ? playIn.chord : open.now}
					next={playIn.on ? null : open.next}
					scale={playIn.on ? open.scaleFor(playIn.chord) : null}
					every={playIn.on}
					figure={playIn.on ? null : figure}
					sounding={transport.sounding}
					{...frets}
					height={202}
					onposition={(position) => open.moveTo(position)}
					onplace={playIn.on ? strike : undefined}
				/>
			</Later>
		</div>
		<div class="-mr-4"><Later><TalkRow {desk} {width} /></Later></div>
	{/if}
	<FootKeys
		keys={[
			...[PHRASE.note, PHRASE.step, PHRASE.time, PHRASE.add],
			[PHRASE.moves, desk.moves ? 'stay in one place' : 'move with the root']
		]}
	/>
	{#snippet inspector()}
		<Later>
			<MotifPanel
				bind:this={panel}
				{desk}
				playing={transport.playing}
				writing={writing && !playIn.on}
				busy={playIn.on}
				onhear={hearIt}
				onplayin={() => playIn.start()}
				onwrite={(on) => (writing = on)}
			/>
		</Later>
		{#if playIn.on}
			<PlayInPanel {desk} input={playIn} />
		{:else}
			<Later><MakeList {desk} /></Later>
			<Later><MotifLibrary {desk} /></Later>
			<section>
				<PanelHead title="Rhythm" />
				<p class="flex flex-wrap gap-1.5 pt-1.5">
					{#each RHYTHMS as rhythm (rhythm.id)}
						<button
							type="button"
							class="min-h-7.5 border-[1.5px] border-strong px-2.5 text-reason font-semibold hover:bg-lit"
							onclick={() => desk.rhythm(rhythm.eighths)}>{rhythm.name}</button
						>
					{/each}
				</p>
			</section>
		{/if}
	{/snippet}
</Screen>
