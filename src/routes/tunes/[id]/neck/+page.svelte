<script lang="ts">
	import { guideTones, signs, toneAt, type Chord } from '$core/chord';
	import { noteName } from '$core/pitch';
	import { highestFret, windowPlaces } from '$core/neck';
	import { onKeys } from '$lib/state/keys';
	import { useTune } from '$lib/state/open-tune.svelte';
	import { prefs } from '$lib/state/prefs.svelte';
	import ChordSymbol from '$lib/ui/ChordSymbol.svelte';
	import FootKeys from '$lib/ui/FootKeys.svelte';
	import Neck from '$lib/ui/Neck.svelte';
	import PlaceStrip from '$lib/ui/PlaceStrip.svelte';
	import Ribbon from '$lib/ui/Ribbon.svelte';
	import RoleMark from '$lib/ui/RoleMark.svelte';
	import ToneLadder from '$lib/ui/ToneLadder.svelte';
	import TuneBar from '$lib/ui/TuneBar.svelte';
	import { inWords, plural } from '$lib/ui/words';
	import type { PageData } from './$types';

	let { data }: { data: PageData } = $props();
	const open = useTune();

	let width = $state(1168);
	/** On a phone only the frets round the hand are drawn, large enough to read. */
	const frets = $derived(
		width < 560
			? {
					from: Math.max(0, open.position - 2),
					to: Math.min(highestFret(open.instrument), open.position + 5)
				}
			: {}
	);

	/** How a chord lies in the window: each tone with the number of its places. */
	function lie(chord: Chord, position: number) {
		const places = windowPlaces(open.instrument, position);
		return chord.tones.map((tone) => {
			const here = places.filter((place) => toneAt(chord, place.midi) === tone);
			return { tone, count: here.length, reaches: here.filter((place) => place.reach).length };
		});
	}
	const lies = $derived(
		[
			{ tense: 'now' as const, chord: open.now },
			{ tense: 'next' as const, chord: open.next }
		].flatMap(({ tense, chord }) =>
			chord ? [{ tense, chord, tones: lie(chord, open.position) }] : []
		)
	);
	const missing = $derived(lies.flatMap(({ tones }) => tones.filter(({ count }) => count === 0)));
	const guides = $derived(
		open.next
			? guideTones(open.next).reduce(
					(sum, tone) =>
						sum +
						windowPlaces(open.instrument, open.position).filter(
							(place) => place.midi % 12 === tone.pc && !place.reach
						).length,
					0
				)
			: 0
	);
	const scaleName = $derived(
		open.scale && `${signs(noteName(open.scale.tonic))} ${open.scale.name}`
	);
	const lacking = $derived(
		lies.map(({ tense, chord }) => ({
			tense,
			chord,
			tones: chord.tones.filter((tone) => !open.scale?.notes.some((note) => note.pc === tone.pc))
		}))
	);
	const keys = onKeys({
		ArrowLeft: () => open.moveTo(open.position - 1),
		ArrowRight: () => open.moveTo(open.position + 1),
		'[': () => open.moveTo(open.position - 1),
		']': () => open.moveTo(open.position + 1),
		ArrowUp: () => open.step(-1),
		ArrowDown: () => open.step(1),
		',': () => open.step(-1),
		'.': () => open.step(1),
		PageUp: () => open.step(-1),
		PageDown: () => open.step(1)
	});
</script>

<svelte:window onkeydown={keys} />
<svelte:head><title>{open.saved.title} · Neck · Arc Step</title></svelte:head>

<TuneBar>
	{#snippet actions()}
		<a class="act" href="/tunes/{open.saved.id}/route?position={open.position}"
			>{data.routes.some((route) => route.position === open.position)
				? 'Open the plan'
				: 'Plan it here'}</a
		>
	{/snippet}
</TuneBar>
<main id="main" class="screen">
	{#if open.chart.changes.length === 0}
		<h1>There is no chord to look at yet.</h1>
		<p class="lead">Write the changes first: bars such as <code>| Bb7 | Eb7 |</code>.</p>
		<a class="act act-main" href="/tunes/{open.saved.id}/chart">Write the chart</a>
	{:else}
		<div class="verdict">
			<h1>
				{#if missing.length === 0}Every tone lies in position {open.position}.{:else}Position {open.position}
					lacks {inWords(missing.length)}
					{missing.length === 1 ? 'tone' : 'tones'}: {missing
						.map(({ tone }) => prefs.name(tone.name, tone.pc))
						.join(', ')}.{/if}
			</h1>
			<p>
				{#if open.next}{plural(guides, 'guide tone')} of {signs(open.next.symbol)} under the fingers.
					Bar {open.change?.bar}, beat {open.change?.beat}.{:else}One chord, the whole chart.{/if}
			</p>
		</div>
		<Ribbon />
		<div bind:clientWidth={width}>
			<Neck
				instrument={open.instrument}
				position={open.position}
				now={open.now}
				next={open.next}
				{...frets}
				height={width < 560 ? 236 : 296}
				onposition={(position) => open.moveTo(position)}
			/>
		</div>
		<div class="places">
			<span class="legend"
				>Place{#if data.routes.length > 0}<small>dark: planned</small>{/if}</span
			>
			<PlaceStrip planned={data.routes.map((route) => route.position)} />
		</div>
		<div class="below">
			<section>
				<div class="section-head">
					<h2>What changes</h2>
					{#if open.now && open.next}<small
							>{signs(open.now.symbol)} to {signs(open.next.symbol)}</small
						>{/if}
				</div>
				{#if open.now && open.next}
					<div class="ladder"><ToneLadder now={open.now} next={open.next} wide /></div>
				{:else}
					<p class="empty">This chart holds one chord: nothing changes.</p>
				{/if}
			</section>
			<section>
				<div class="section-head">
					<h2>In this place</h2>
					<small>how often each tone lies here</small>
				</div>
				{#each lies as { tense, chord, tones } (tense)}
					<div class="lie {tense}">
						<span class="name"><ChordSymbol {chord} /></span>
						<ul>
							{#each tones as { tone, count, reaches } (tone.role)}
								<li class:none={count === 0}>
									<svg width="30" height="32" viewBox="-15 -16 30 32" aria-hidden="true">
										<RoleMark {...{ [tense]: tone.role }} label={prefs.label(tone)} r={11.5} />
									</svg>
									<span class="sr">{signs(tone.name)}, {tone.role}</span>
									<span
										>{count === 0
											? 'not here'
											: `${count} ×`}{#if reaches > 0 && reaches === count}<small>
												reach</small
											>{/if}</span
									>
								</li>
							{/each}
						</ul>
					</div>
				{/each}
			</section>
			<section>
				<div class="section-head">
					<h2>Scale in use</h2>
					<small>{scaleName}</small>
				</div>
				{#if open.scale}
					<p class="scale">
						{#each open.scale.notes as note (note.degree)}<span
								>{prefs.name(note.name, note.pc)}</span
							>{/each}
					</p>
					{#each lacking as { tense, chord, tones } (tense)}
						<p class="lack {tense}">
							<span class="name"><ChordSymbol {chord} /></span>
							{#if tones.length === 0}
								has all its tones in the scale.
							{:else}
								wants {tones.map((tone) => prefs.name(tone.name, tone.pc)).join(' and ')}, which the
								scale lacks.
							{/if}
						</p>
					{/each}
				{/if}
			</section>
		</div>
	{/if}
	<FootKeys
		keys={[
			['← →', 'move the place'],
			[', .', 'previous, next change'],
			['N', 'names or roles'],
			['3', 'plan the route']
		]}
	/>
</main>

<style>
	.below {
		display: grid;
		grid-template-columns: 440px 1fr 1fr;
		gap: 24px 32px;
		margin-top: 20px;
	}
	.ladder {
		padding-top: 10px;
	}
	.places {
		display: grid;
		grid-template-columns: 58px 1fr;
		align-items: center;
	}
	.legend {
		font-weight: 700;
		font-size: 13px;
		line-height: 1.1;
	}
	.legend small {
		display: block;
		font-size: 12px;
		font-weight: 400;
		color: var(--second);
	}
	.lie {
		display: grid;
		grid-template-columns: 74px 1fr;
		align-items: start;
		padding: 10px 0;
		border-bottom: 1px solid var(--hair);
	}
	.lie .name,
	.lack .name {
		font-size: 22px;
		padding-top: 6px;
	}
	.now .name {
		color: var(--now-ink);
	}
	.next .name {
		color: var(--next-ink);
	}
	ul {
		display: flex;
		flex-wrap: wrap;
		gap: 4px 12px;
	}
	li {
		display: flex;
		align-items: center;
		gap: 3px;
		font-size: 13px;
		white-space: nowrap;
	}
	li.none {
		color: var(--third);
	}
	.scale {
		display: flex;
		gap: 4px 16px;
		flex-wrap: wrap;
		font-family: var(--font-display);
		font-weight: 800;
		font-size: 18px;
		padding: 10px 0;
		border-bottom: 1px solid var(--hair);
	}
	.lack {
		padding: 8px 0;
		border-bottom: 1px solid var(--hair);
		color: var(--second);
	}
	.lack .name {
		font-size: 18px;
		margin-right: 4px;
	}
	.empty {
		padding-top: 12px;
		color: var(--second);
	}
	@media (max-width: 1099px) {
		.below {
			grid-template-columns: 1fr 1fr;
		}
		.below section:first-child {
			grid-column: 1 / -1;
		}
	}
	@media (max-width: 640px) {
		.below,
		.places {
			grid-template-columns: 1fr;
		}
		.legend {
			padding-bottom: 6px;
		}
	}
</style>
