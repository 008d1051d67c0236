<script lang="ts">
	import { goto } from '$app/navigation';
	import { signs, type Role } from '$core/chord';
	import { highestFret } from '$core/neck';
	import { RHYTHMS, roleOfPitch, type Phrase } from '$core/phrase';
	import { leanOf } from '$core/route';
	import { Refusal } from '$lib/state/api';
	import { onKeys } from '$lib/state/keys';
	import { useTune } from '$lib/state/open-tune.svelte';
	import { PhraseDesk, type Making } from '$lib/state/phrase-desk.svelte';
	import { prefs } from '$lib/state/prefs.svelte';
	import { useTransport } from '$lib/state/transport.svelte';
	import FootKeys from '$lib/ui/FootKeys.svelte';
	import KeyCap from '$lib/ui/KeyCap.svelte';
	import Neck from '$lib/ui/Neck.svelte';
	import type { Figure, FigureNote } from '$lib/ui/neck-figure';
	import MakeList from '$lib/ui/phrase/MakeList.svelte';
	import { MAKING_KEYS } from '$lib/ui/phrase/making-keys';
	import MotifLibrary from '$lib/ui/phrase/MotifLibrary.svelte';
	import PhraseCell from '$lib/ui/phrase/PhraseCell.svelte';
	import TuneBar from '$lib/ui/TuneBar.svelte';
	import { inWords, plural } from '$lib/ui/words';
	import { untrack } from 'svelte';
	import { toast } from 'svelte-sonner';
	import type { PageData } from './$types';

	let { data }: { data: PageData } = $props();
	const open = useTune();
	const transport = useTransport();
	const desk = untrack(() => new PhraseDesk(open, data.motifs));

	let width = $state(824);
	const narrow = $derived(width < 620);
	const LABEL = 92;
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
	const landingOf = (phrase: Phrase | undefined, at: number) => {
		const last = phrase?.notes.at(-1);
		const chord = desk.shown[at]?.to.chord;
		if (!last || !chord) return '';
		return roleOfPitch(chord, last.midi);
	};
	const FEELS = { rest: 'at rest', open: 'open', tell: 'tells the chord', lean: 'leans on' };
	const feelOf = (role: string) => {
		if (role === '') return '';
		const lean = leanOf(role as Role);
		return lean < 0.2
			? FEELS.rest
			: lean < 0.45
				? FEELS.open
				: lean < 0.65
					? FEELS.tell
					: FEELS.lean;
	};
	const MADE: Record<Making, string> = {
		answer: 'Answer',
		sequence: 'Sequence',
		symmetric: 'Symmetric',
		displace: 'Later',
		reverse: 'Backward'
	};
	const placeWords = (change: number) => {
		const at = desk.handAt(change);
		const moved = at - open.position;
		if (moved === 0) return `position ${at}`;
		return `position ${at}, ${plural(Math.abs(moved), 'fret')} toward the ${moved < 0 ? 'nut' : 'body'}`;
	};
	/** The first sentence: what the two rows say. */
	const verdict = $derived.by(() => {
		const count = desk.motif.notes.length;
		if (desk.making === 'answer') {
			const [a, b] = [landingOf(desk.calls[0], 0), landingOf(desk.made[0], 0)];
			return {
				head: `One call, ${columns.length > 1 ? 'two chords, ' : ''}one answer.`,
				rest: `${inWords(Math.max(0, count - 1))[0].toUpperCase()}${inWords(Math.max(0, count - 1)).slice(1)} ${count === 2 ? 'note stays' : 'notes stay'}, the landing changes: ${feelOf(a)}, then ${feelOf(b)}.`
			};
		}
		return {
			head: {
				sequence: 'The motif goes through the scale.',
				symmetric: 'The motif goes by one interval.',
				displace: 'The same notes, an eighth later.',
				reverse: 'The same notes, backward.'
			}[desk.making],
			rest: runs
				? `${plural(desk.times, 'time')} in all, from ${signs(desk.shown[0]?.to.symbol ?? '')} on.`
				: ''
		};
	});

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

	function hearIt(): void {
		if (transport.playing) {
			transport.stop();
			return;
		}
		const phrase = desk.phrase();
		const notes = phrase.notes.map((note) => ({ ...note }));
		transport.route = {
			notes,
			targets: [],
			handAt: (change) => desk.handAt(change),
			rule: `${desk.name}, ${MADE[desk.making].toLowerCase()}`
		};
		transport.loop = desk.barsOf(phrase);
		void transport.play();
	}
	/** Lays the phrase into the route: it stands there as the player's own notes. */
	async function intoLine(): Promise<void> {
		const phrase = desk.phrase();
		if (phrase.notes.length === 0) return;
		const { from, to } = desk.barsOf(phrase);
		const { played } = open.chart;
		const last = played[to - 1];
		open.incoming = {
			name: desk.name,
			from: played[from].startTick,
			to: last.startTick + last.lengthTicks,
			notes: phrase.notes.map(({ tick, durationTicks, string, fret, midi }) => ({
				tick,
				durationTicks,
				string,
				fret,
				midi
			}))
		};
		await goto(`/tunes/${open.saved.id}/route?position=${open.position}`);
	}
	async function store(fresh = false): Promise<void> {
		try {
			await desk.store(fresh);
			toast(`“${desk.name}” is stored.`, { duration: 2500 });
		} catch (error) {
			toast(
				error instanceof Refusal
					? error.message
					: 'Storing failed. The motif is still here; try again.'
			);
		}
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
		s: () => void store(),
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
			<div class="verdict">
				<h1>{verdict.head}</h1>
				<p>{verdict.rest}</p>
			</div>
			<div class="matrix bleed" bind:clientWidth={width}>
				<div class="row">
					{#if !narrow}
						<p class="label">
							<b>Call</b><span
								>lands on {signs(landingOf(desk.calls[0], 0))}<br />{feelOf(
									landingOf(desk.calls[0], 0)
								)}</span
							>
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
							height={196}
							span={spanOf(desk.calls[at], change)}
							says={at === 0 ? 'the call' : `the call on ${signs(change.to.symbol)}`}
							place={placeWords(change.index)}
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
								<span
									>lands on {signs(landingOf(desk.made[0], 0))}<br />{feelOf(
										landingOf(desk.made[0], 0)
									)}</span
								>
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
							height={196}
							span={spanOf(desk.made[0], desk.shown[0])}
							says={MADE[desk.making].toLowerCase()}
							place={placeWords(desk.shown[0].index)}
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
								height={178}
								span={spanOf(desk.made[at], change)}
								says={`${MADE[desk.making].toLowerCase()}${at === 0 ? '' : ` on ${signs(change.to.symbol)}`}`}
								place={placeWords(change.index)}
							/>
						{/each}
					{/if}
				</div>
			</div>
			{#if desk.problems.length > 0}
				<ul class="problems" aria-label="Where it does not fit">
					{#each desk.problems.slice(0, 3) as problem (problem)}<li>{problem}</li>{/each}
					{#if desk.problems.length > 3}<li>and {desk.problems.length - 3} more</li>{/if}
				</ul>
			{/if}
			<div class="neck bleed">
				<Neck
					instrument={open.instrument}
					position={open.position}
					now={open.now}
					next={open.next}
					{figure}
					sounding={transport.sounding}
					{...frets}
					height={214}
					onposition={(position) => open.moveTo(position)}
				/>
			</div>
		{/if}
		<FootKeys
			keys={[
				['← →', 'note'],
				['↑ ↓', 'its step'],
				['Shift →', 'an eighth later'],
				['A', 'one more note'],
				['Del', 'less'],
				['B', desk.moves ? 'stay in one place' : 'move with the root'],
				[', .', 'change']
			]}
		/>
	</main>
	<aside class="inspector" aria-label="Motif">
		<section>
			<div class="section-head">
				<h2>Motif</h2>
				<small>{desk.dirty ? 'not stored yet' : 'stored'}</small>
			</div>
			<label class="name"
				>Name <input
					type="text"
					maxlength="80"
					value={desk.name}
					onchange={(event) => desk.rename(event.currentTarget.value.trim() || 'Motif')}
				/></label
			>
			<p class="acts">
				<button type="button" class="quiet" onclick={() => hearIt()}
					>{transport.playing ? 'Stop' : 'Hear it'} <KeyCap keys="H" /></button
				>
				<button type="button" class="quiet" disabled={!desk.dirty} onclick={() => void store()}
					>Store <KeyCap keys="S" /></button
				>
				{#if desk.from && desk.dirty}
					<button type="button" class="quiet" onclick={() => void store(true)}>Store as new</button>
				{/if}
			</p>
		</section>
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
		padding: 6px 0;
		font-size: 13px;
		color: var(--second);
	}
	.name input {
		font-weight: 700;
	}
	.acts,
	.rhythms {
		display: flex;
		flex-wrap: wrap;
		gap: 4px 16px;
		padding-top: 6px;
	}
	.rhythms {
		gap: 6px;
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
	[disabled] {
		color: var(--third);
		cursor: default;
	}
</style>
