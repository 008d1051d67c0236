<script lang="ts">
	import { SET } from '$lib/words/keys/pages';
	import Screen from '$lib/ui/parts/Screen.svelte';
	import Button from '$lib/ui/parts/Button.svelte';
	import { parseChord, signs } from '$core/chord';
	import { useKeys } from '$lib/state/keys';
	import ChordSymbol from '$lib/ui/ChordSymbol.svelte';
	import FootKeys from '$lib/ui/FootKeys.svelte';
	import KeyCap from '$lib/ui/parts/KeyCap.svelte';
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
	useKeys(SET, { print: () => print() });
</script>

<svelte:head>
	<title>{data.set.name} · Set list · Arc Step</title>
	<svelte:element this={"style"}>{MARGINS}</svelte:element>
</svelte:head>
<div class="last:mt-auto print:hidden">
	<TopBar title="Set list">
		{#snippet actions()}
			<Button look="quiet" href="/">Notebook</Button>
			<Button look="quiet" onclick={() => print()}>Print <KeyCap of={SET.print} /></Button>
		{/snippet}
	</TopBar>
</div>
<Screen>
	<header class="flex flex-wrap items-baseline gap-x-4 gap-y-0 border-b-3 border-ink pt-4.5 pb-2">
		<h1 class="text-chord leading-tight max-tablet:text-ribbon print:text-ribbon">
			{data.set.name}
		</h1>
		{#if data.set.note}<p class="text-second">{data.set.note}</p>{/if}
	</header>
	{#if data.lines.length === 0}
		<p class="py-3.5 text-second">
			This set has no tune yet. Drag tunes into it in the <a class="underline" href="/">notebook</a
			>.
		</p>
	{:else}
		<ol>
			{#each data.lines as line, i (line.id)}
				<li
					class="grid [break-inside:avoid] grid-cols-[56px_minmax(0,1fr)_130px_150px_250px] items-center gap-x-4 gap-y-0 border-b border-hair py-2 max-desk:grid-cols-[44px_minmax(0,1fr)_110px_130px] max-tablet:grid-cols-[36px_minmax(0,1fr)_auto] print:grid-cols-[34px_minmax(0,1fr)_104px_118px_150px] print:gap-x-2.5 print:gap-y-0"
				>
					<span
						class="font-display text-ribbon font-semibold text-second max-tablet:text-verdict"
						aria-hidden="true">{i + 1}</span
					>
					<div>
						<h2 class="text-ribbon leading-tight max-tablet:text-verdict print:text-verdict">
							<a href="/tunes/{line.id}/chart">{line.title}</a>
						</h2>
						<p class="mt-1 flex flex-wrap gap-x-3.5 gap-y-0 text-head">
							{#each line.opening as symbol, k (k)}<ChordSymbol chord={parseChord(symbol)} />{/each}
						</p>
					</div>
					<p class="text-head font-bold print:text-line">{keyWords(line.key)}</p>
					<p class="max-tablet:col-start-2 max-tablet:-col-end-1">
						<b class="block font-display text-verdict leading-tight">{line.tempo}</b>
						<small class="text-reason leading-snug text-second print:text-count"
							>{line.feel}, {plural(line.bars, 'bar')}, {lasts(line.quarters, line.tempo)}</small
						>
					</p>
					<p
						class="max-desk:col-start-2 max-desk:-col-end-1 max-tablet:col-start-2 max-tablet:-col-end-1 print:col-[auto]"
					>
						{#if line.start}
							<b class="block font-display text-verdict leading-tight"
								>position {line.start.position}</b
							>
							<small class="text-reason leading-snug text-second print:text-count"
								>first {signs(line.start.name)}, {signs(line.start.role)} of {signs(
									line.start.symbol
								)}: string {line.start.string}, fret {line.start.fret}</small
							>
						{:else}
							<small class="text-reason leading-snug text-second print:text-count"
								>not planned yet</small
							>
						{/if}
					</p>
				</li>
			{/each}
		</ol>
		<p class="py-3.5 text-second">
			{capital(plural(data.lines.length, 'tune').replace(/^\d+/, (n) => inWords(Number(n))))}. Times
			are for once through.
		</p>
	{/if}
	<div class="last:mt-auto print:hidden"><FootKeys keys={[SET.print]} /></div>
</Screen>
