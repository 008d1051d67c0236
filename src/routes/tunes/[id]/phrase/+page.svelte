<script lang="ts">
	import { goto } from '$app/navigation';
	import { signs, type Role } from '$core/chord';
	import { highestFret, pitchAt, type Place } from '$core/neck';
	import { RHYTHMS, roleOfPitch, type Phrase } from '$core/phrase';
	import { onKeys } from '$lib/state/keys';
	import { useTune } from '$lib/state/open-tune.svelte';
	import { PhraseDesk, type Making } from '$lib/state/phrase-desk.svelte';
	import { PlayIn } from '$lib/state/play-in.svelte';
	import { prefs } from '$lib/state/prefs.svelte';
	import { useTransport } from '$lib/state/transport.svelte';
	import FootKeys from '$lib/ui/FootKeys.svelte';
	import Neck from '$lib/ui/Neck.svelte';
	import type { Figure, FigureNote } from '$lib/ui/neck-figure';
	import MakeList from '$lib/ui/phrase/MakeList.svelte';
	import { MAKING_KEYS } from '$lib/ui/phrase/making-keys';
	import MotifLibrary from '$lib/ui/phrase/MotifLibrary.svelte';
	import MotifPanel from '$lib/ui/phrase/MotifPanel.svelte';
	import { feelOf, landingOf, MADE, phraseVerdict, placeWords } from '$lib/ui/phrase/phrase-words';
	import PhraseCell from '$lib/ui/phrase/PhraseCell.svelte';
	import PlayInPanel from '$lib/ui/phrase/PlayInPanel.svelte';
	import TalkRow from '$lib/ui/phrase/TalkRow.svelte';
	import TuneBar from '$lib/ui/TuneBar.svelte';
	import { plural } from '$lib/ui/words';
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
	$effect(() => {
		const bar = desk.shown[0]?.bar;
		if (bar !== undefined) desk.bar = bar - 1;
	});
	$effect(() => {
		desk.live = playIn.on ? (playIn.motif ?? { ...desk.drafts.current.motif, notes: [] }) : null;
	});

	let width = $state(824);
	const narrow = $derived(width < 620);
	const LABEL = 92;
	const callLanding = $derived(landingOf(desk, desk.calls[0], 0));
	const madeLanding = $derived(landingOf(desk, desk.made[0], 0));
	const runs = $derived(desk.making === 'sequence' || desk.making === 'symmetric');
	const columns = $derived(narrow ? desk.shown.slice(0, 1) : desk.shown);
	const cell = $derived((width - (narrow ? 0 : LABEL)) / Math.max(1, columns.length));

	const pitches = (phrases: readonly Phrase[]) =>
		phrases.flatMap((phrase) => phrase.notes.map((note) => note.midi));
	const rangeOf = (phrases: readonly Phrase[]) => {
		const all = pitches(phrases);
		return all.length === 0 ? [60, 72] : [Math.min(...all), Math.max(...all)];
	};
	const callRange = $derived(rangeOf(desk.calls));
	const madeRange = $derived(rangeOf(desk.made));
	const barOf = (change: (typeof desk.shown)[number]) => open.chart.played[change.bar - 1];
	const spanOf = (phrase: Phrase | undefined, change: (typeof desk.shown)[number]) => {
		const bar = barOf(change);
		const last = phrase?.notes.at(-1);
		const needed = last ? last.tick + last.durationTicks - change.tick : 0;
		return Math.max(bar.lengthTicks, Math.ceil(needed / 480) * 480);
	};
	const verdict = $derived(phraseVerdict(desk, columns.length));

	/** On the neck: the call on this chord and on the next. */
	const figure = $derived.by((): Figure | null => {
		const notes: FigureNote[] = [];
		const phrases = runs ? desk.made.slice(0, 1) : [...desk.calls.slice(0, columns.length)];
		phrases.forEach((phrase, at) => {
			const chord = desk.shown[at]?.to.chord;
			if (!chord) return;
			for (const note of phrase.notes) {
				if (notes.some((other) => other.string === note.string && other.fret === note.fret))
					continue;
				const role = roleOfPitch(chord, note.midi) as Role;
				notes.push({
					string: note.string,
					fret: note.fret,
					label: prefs.label({ role, name: note.name, pc: note.midi % 12 }),
					...(at === 0 ? { now: role } : { next: role })
				});
			}
		});
		return notes.length === 0
			? null
			: {
					kind: 'marks',
					notes,
					words: `${desk.name} on the neck, ${plural(notes.length, 'place')}`
				};
	});
	const frets = $derived.by(() => {
		const there = figure?.notes.map((note) => note.fret) ?? [open.position];
		const high = highestFret(open.instrument);
		return {
			from: Math.max(0, Math.min(open.position - 2, ...there) - 1),
			to: Math.min(high, Math.max(open.position + 5, ...there) + 1)
		};
	});

	/** Only what the phrase screen lays out is heard over the band. */
	function sound(phrase: Phrase, rule: string): void {
		transport.route = {
			notes: phrase.notes.map((note) => ({ ...note })),
			targets: [],
			handAt: (change) => desk.handAt(change),
			rule
		};
		transport.loop = desk.barsOf(phrase);
	}
	function hearIt(): void {
		if (transport.playing) {
			transport.stop();
			return;
		}
		const rule = desk.talk.parts ? 'call and answer' : MADE[desk.making].toLowerCase();
		sound(desk.phrase(), `${desk.name}, ${rule}`);
		void transport.play();
	}
	/** The band goes round the two chords, and leaves the line to the player. */
	function startPlayIn(): void {
		transport.stop();
		const around = desk.barsAt(desk.shown.map((change) => change.tick));
		transport.route = { notes: [], targets: [], handAt: (change) => desk.handAt(change), rule: '' };
		transport.loop ??= around;
		playIn.start();
	}
	/** Lays the phrase into the route: it stands there as the player's own notes. */
	async function intoLine(): Promise<void> {
		const incoming = desk.incoming();
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

	const keys = onKeys({
		ArrowLeft: () => desk.pick(-1),
		ArrowRight: () => desk.pick(1),
		ArrowUp: () => desk.lift(1),
		ArrowDown: () => desk.lift(-1),
		'Shift+ArrowRight': () => desk.later(240),
		'Shift+ArrowLeft': () => desk.later(-240),
		Delete: () => desk.remove(),
		Backspace: () => desk.remove(),
		a: () => desk.add(),
		b: () => (desk.moves = !desk.moves),
		h: () => hearIt(),
		s: () => void panel?.store(),
		i: () => startPlayIn(),
		t: () => (writing = !writing),
		c: () => desk.nextPart(),
		Enter: () => void intoLine(),
		',': () => open.step(-1),
		'.': () => open.step(1),
		PageUp: () => open.step(-1),
		PageDown: () => open.step(1),
		'[': () => open.moveTo(open.position - 1),
		']': () => open.moveTo(open.position + 1),
		'Mod+z': () => desk.drafts.undo(),
		'Mod+Shift+z': () => desk.drafts.redo(),
		...Object.fromEntries(
			Object.entries(MAKING_KEYS).map(([making, key]) => [
				key.toLowerCase(),
				() => (desk.making = making as Making)
			])
		)
	});
</script>

<svelte:window onkeydown={keys} />
<svelte:head><title>{open.saved.title} · Phrase · Arc Step</title></svelte:head>

<TuneBar>
	{#snippet actions()}
		<button
			type="button"
			class="act act-main"
			disabled={desk.shown.length === 0}
			onclick={() => void intoLine()}>Put in the line</button
		>
	{/snippet}
</TuneBar>

<div class="with-inspector">
	<main id="main" class="screen">
		{#if desk.shown.length === 0}
			<h1>There is no chord to phrase over yet.</h1>
			<p>
				<a class="act" href="/tunes/{open.saved.id}/chart">Write the chart</a>
			</p>
		{:else}
			<div class="verdict saying">
				<h1>{verdict.head}</h1>
				<p>{verdict.rest}</p>
			</div>
			<div class="matrix bleed" bind:clientWidth={width}>
				<div class="row">
					{#if !narrow}
						<p class="label">
							<b>Call</b><span>lands on {signs(callLanding ?? '')}<br />{feelOf(callLanding)}</span>
						</p>
					{/if}
					{#each columns as change, at (at)}
						<PhraseCell
							phrase={desk.calls[at]}
							{change}
							bar={barOf(change)}
							tense={at === 0 ? 'now' : 'next'}
							low={callRange[0]}
							high={callRange[1]}
							width={cell}
							height={176}
							span={spanOf(desk.calls[at], change)}
							says={at === 0 ? 'the call' : `the call on ${signs(change.to.symbol)}`}
							place={placeWords(desk, change.index)}
							picked={at === 0 ? desk.note : null}
							onpick={at === 0 ? (index) => (desk.note = index) : undefined}
						/>
					{/each}
				</div>
				<div class="row second">
					{#if !narrow}
						<p class="label">
							<b>{MADE[desk.making]}</b>
							{#if !runs}
								<span>lands on {signs(madeLanding ?? '')}<br />{feelOf(madeLanding)}</span>
							{/if}
						</p>
					{/if}
					{#if runs}
						<PhraseCell
							phrase={desk.made[0]}
							change={desk.shown[0]}
							bar={barOf(desk.shown[0])}
							tense="now"
							low={madeRange[0]}
							high={madeRange[1]}
							width={cell * columns.length}
							height={158}
							span={spanOf(desk.made[0], desk.shown[0])}
							says={MADE[desk.making].toLowerCase()}
							place={placeWords(desk, desk.shown[0].index)}
						/>
					{:else}
						{#each columns as change, at (at)}
							<PhraseCell
								phrase={desk.made[at]}
								{change}
								bar={barOf(change)}
								tense={at === 0 ? 'now' : 'next'}
								low={madeRange[0]}
								high={madeRange[1]}
								width={cell}
								height={158}
								span={spanOf(desk.made[at], change)}
								says={`${MADE[desk.making].toLowerCase()}${at === 0 ? '' : ` on ${signs(change.to.symbol)}`}`}
								place={placeWords(desk, change.index)}
							/>
						{/each}
					{/if}
				</div>
			</div>
			{#if desk.problems.length > 0}
				{@const [first, ...more] = desk.problems}
				<details class="problems">
					<summary>{first}{more.length > 0 ? ` And ${more.length} more.` : ''}</summary>
					<ul aria-label="Where it does not fit">
						{#each more as problem (problem)}<li>{problem}</li>{/each}
					</ul>
				</details>
			{/if}
			<div class="neck bleed">
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
			</div>
			<div class="bleed"><TalkRow {desk} {width} /></div>
		{/if}
		<FootKeys
			keys={[
				['← →', 'note'],
				['↑ ↓', 'its step'],
				['Shift →', 'an eighth later'],
				['A', 'one more note'],
				['Del', 'less'],
				['B', desk.moves ? 'stay in one place' : 'move with the root']
			]}
		/>
	</main>
	<aside class="inspector" aria-label="Motif">
		<MotifPanel
			bind:this={panel}
			{desk}
			playing={transport.playing}
			{writing}
			onhear={hearIt}
			onplayin={startPlayIn}
			onwrite={(on) => (writing = on)}
		/>
		{#if playIn.on}
			<PlayInPanel {desk} input={playIn} />
		{:else}
			<MakeList {desk} />
			<MotifLibrary {desk} />
			<section>
				<div class="section-head"><h2>Rhythm</h2></div>
				<p class="rhythms">
					{#each RHYTHMS as rhythm (rhythm.id)}
						<button type="button" class="rhythm" onclick={() => desk.rhythm(rhythm.eighths)}
							>{rhythm.name}</button
						>
					{/each}
				</p>
			</section>
		{/if}
	</aside>
</div>

<style>
	.row {
		display: flex;
		border-top: 2px solid var(--ink);
	}
	.row > :global(svg + svg) {
		border-left: 1.5px solid var(--ink);
	}
	.label {
		width: 92px;
		flex-shrink: 0;
		padding: 14px 8px 0 0;
		border-right: 1.5px solid var(--ink);
		font-size: 13px;
		color: var(--second);
	}
	.label b {
		display: block;
		font-family: var(--font-display);
		font-weight: 800;
		font-size: 18px;
		color: var(--ink);
	}
	.matrix,
	.neck {
		min-width: 0;
		overflow: hidden;
	}
	.problems {
		padding: 3px 0;
		font-size: 13px;
		color: var(--second);
	}
	.problems summary {
		cursor: pointer;
	}
	.saying {
		column-gap: 12px;
	}
	.saying h1 {
		font-size: 24px;
	}
	.saying p {
		font-size: 14px;
	}
	.rhythms {
		display: flex;
		flex-wrap: wrap;
		gap: 6px;
		padding-top: 6px;
	}
	.rhythm {
		min-height: 30px;
		padding: 0 10px;
		font-size: 13px;
		font-weight: 600;
		border: 1.5px solid var(--strong);
	}
	.rhythm:hover {
		background: var(--lit);
	}
</style>
