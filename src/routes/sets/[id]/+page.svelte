<script lang="ts">
	import { parseChord, signs } from '$core/chord';
	import { onKeys } from '$lib/state/keys';
	import ChordSymbol from '$lib/ui/ChordSymbol.svelte';
	import FootKeys from '$lib/ui/FootKeys.svelte';
	import KeyCap from '$lib/ui/KeyCap.svelte';
	import TopBar from '$lib/ui/TopBar.svelte';
	import { capital, inWords, keyWords, plural } from '$lib/words/words';
	import type { PageData } from './$types';

	let { data }: { data: PageData } = $props();
	const MARGINS = '@page { margin: 14mm 15mm }';
	/** Whole minutes and seconds of one time through. */
	function lasts(quarters: number, tempo: number): string {
		const seconds = Math.round((60 * quarters) / tempo);
		return `${Math.floor(seconds / 60)}:${String(seconds % 60).padStart(2, '0')}`;
	}
	const keys = onKeys({ p: (event) => (event.preventDefault(), print()) });
</script>

<svelte:window onkeydowncapture={keys} />
<svelte:head>
	<title>{data.set.name} · Set list · Arc Step</title>
	<svelte:element this={"style"}>{MARGINS}</svelte:element>
</svelte:head>
<div class="off-paper">
	<TopBar title="Set list">
		{#snippet actions()}
			<a class="quiet" href="/">Notebook</a>
			<button class="quiet" type="button" onclick={() => print()}>Print <KeyCap keys="P" /></button>
		{/snippet}
	</TopBar>
</div>
<main id="main" class="screen">
	<header>
		<h1>{data.set.name}</h1>
		{#if data.set.note}<p>{data.set.note}</p>{/if}
	</header>
	{#if data.lines.length === 0}
		<p class="empty">
			This set has no tune yet. Drag tunes into it in the <a href="/">notebook</a>.
		</p>
	{:else}
		<ol>
			{#each data.lines as line, i (line.id)}
				<li>
					<span class="no" aria-hidden="true">{i + 1}</span>
					<div class="what">
						<h2><a href="/tunes/{line.id}/chart">{line.title}</a></h2>
						<p class="opening">
							{#each line.opening as symbol, k (k)}<ChordSymbol chord={parseChord(symbol)} />{/each}
						</p>
					</div>
					<p class="key">{keyWords(line.key)}</p>
					<p class="tempo">
						<b>{line.tempo}</b>
						<small
							>{line.feel}, {plural(line.bars, 'bar')}, {lasts(line.quarters, line.tempo)}</small
						>
					</p>
					<p class="start">
						{#if line.start}
							<b>position {line.start.position}</b>
							<small
								>first {signs(line.start.name)}, {signs(line.start.role)} of {signs(
									line.start.symbol
								)}: string {line.start.string}, fret {line.start.fret}</small
							>
						{:else}
							<small>not planned yet</small>
						{/if}
					</p>
				</li>
			{/each}
		</ol>
		<p class="sum">
			{capital(plural(data.lines.length, 'tune').replace(/^\d+/, (n) => inWords(Number(n))))}. Times
			are for once through.
		</p>
	{/if}
	<div class="off-paper"><FootKeys keys={[['P', 'print']]} /></div>
</main>

<style>
	header {
		display: flex;
		flex-wrap: wrap;
		align-items: baseline;
		gap: 0 16px;
		padding: 18px 0 8px;
		border-bottom: 3px solid var(--ink);
	}
	h1 {
		font-size: 40px;
		line-height: 1.1;
	}
	header p {
		color: var(--second);
	}
	li {
		display: grid;
		grid-template-columns: 56px minmax(0, 1fr) 130px 150px 250px;
		align-items: center;
		gap: 0 16px;
		padding: 8px 0;
		border-bottom: 1px solid var(--hair);
		break-inside: avoid;
	}
	.no {
		font-family: var(--font-display);
		font-weight: 600;
		font-size: 34px;
		color: var(--second);
	}
	h2 {
		font-size: 30px;
		line-height: 1.1;
	}
	.opening {
		display: flex;
		flex-wrap: wrap;
		gap: 0 14px;
		margin-top: 3px;
		font-size: 18px;
	}
	.key {
		font-weight: 700;
		font-size: 19px;
	}
	.tempo b,
	.start b {
		display: block;
		font-family: var(--font-display);
		font-size: 22px;
		line-height: 1.1;
	}
	.tempo b {
		font-size: 26px;
	}
	small {
		font-size: 13px;
		line-height: 1.25;
		color: var(--second);
	}
	.empty,
	.sum {
		padding: 14px 0;
		color: var(--second);
	}
	.empty a {
		text-decoration: underline;
	}
	.off-paper:last-child {
		margin-top: auto;
	}
	@media (max-width: 1099px) {
		li {
			grid-template-columns: 44px minmax(0, 1fr) 110px 130px;
		}
		.start {
			grid-column: 2 / -1;
		}
	}
	@media (max-width: 640px) {
		h1 {
			font-size: 30px;
		}
		li {
			grid-template-columns: 36px minmax(0, 1fr) auto;
		}
		h2 {
			font-size: 22px;
		}
		.no {
			font-size: 26px;
		}
		.tempo,
		.start {
			grid-column: 2 / -1;
		}
	}
	@media print {
		.off-paper {
			display: none;
		}
		main {
			padding: 0;
		}
		h1 {
			font-size: 32px;
		}
		h2 {
			font-size: 23px;
		}
		li {
			grid-template-columns: 34px minmax(0, 1fr) 104px 118px 150px;
			gap: 0 10px;
		}
		.start {
			grid-column: auto;
		}
		.key {
			font-size: 15px;
		}
		small {
			font-size: 12px;
		}
	}
</style>
