<script lang="ts">
	import PanelHead from '$lib/ui/parts/PanelHead.svelte';
	import type { Span } from '$core/chart';
	import { completions, parseChord, proseSigns, signs, type Key } from '$core/chord';
	import { chordsOfKey } from '$core/harmony';
	import Select from '$lib/ui/parts/Select.svelte';
	import type { SelectOption } from '$lib/ui/parts/select';
	import type { ChartDraft } from '$lib/state/chart-draft.svelte';
	import ChordSymbol from '../ChordSymbol.svelte';
	import ToneLadder from '../ToneLadder.svelte';
	import ChordSpelling from './ChordSpelling.svelte';

	/** What stands at the cursor: the chord with its way into the next, or why there is none. */
	type Props = {
		draft: ChartDraft;
		key: Key | null;
		/** Another chord is wanted in place of what stands at the cursor. */
		onwrite: (span: Span, symbol: string) => void;
	};
	let { draft, key, onwrite }: Props = $props();

	const offered = $derived(key ? chordsOfKey(key) : []);
	const numerals = $derived(
		new Map(offered.map(({ chord, numeral }) => [chord.symbol as string, numeral]))
	);
	const lineOf = (symbol: string, group?: string): SelectOption => {
		const numeral = numerals.get(symbol);
		const name = proseSigns(symbol) + (numeral ? ` · ${signs(numeral)}` : '');
		return { value: symbol, name, ...(group ? { group } : {}) };
	};
	const chords = $derived(
		offered.map(({ chord, leads }) =>
			lineOf(chord.symbol, leads ? 'Leads to one of them' : 'In the key')
		)
	);
	/** What is typed, where it reads, and what it may become. */
	function chordsFor(typed: string): readonly SelectOption[] {
		const text = typed.charAt(0).toUpperCase() + typed.slice(1);
		const read = parseChord(text);
		const more = completions(text).filter((symbol) => symbol !== text);
		return [...(read ? [lineOf(text)] : []), ...more.slice(0, 12).map((one) => lineOf(one))];
	}
	const here = $derived(draft.here?.chord?.symbol ?? '');
</script>

{#snippet change()}
	<div class="max-w-80 pb-2">
		<Select
			label="Write another chord here"
			options={chords}
			finds={chordsFor}
			value={here as string}
			placeholder={here ? signs(here) : 'choose or type one'}
			onchange={(symbol) => {
				if (draft.here) onwrite(draft.here.span, symbol);
			}}
		/>
	</div>
{/snippet}

{#if draft.now && draft.next}
	<section>
		<PanelHead
			title="At the cursor"
			note="bar {draft.now.bar} to bar {draft.next.bar}"
			class="items-center"
		>
			<span class="ml-auto flex items-center gap-2.5 text-verdict">
				<span class="text-now-ink"><ChordSymbol chord={draft.now.chord} /></span>
				<svg viewBox="0 0 60 24" width="60" height="24" aria-hidden="true"
					><path class="fill-none stroke-now-line stroke-3" d="M4,21Q30,-13 56,21" /></svg
				>
				<span class="text-next-ink"><ChordSymbol chord={draft.next.chord} /></span>
			</span>
		</PanelHead>
		<div class="grid justify-items-center pt-2">
			<ToneLadder now={draft.now.chord} next={draft.next.chord} wide />
		</div>
		{@render change()}
	</section>
{:else if draft.now}
	<section>
		<PanelHead title="At the cursor" />
		<ChordSpelling event={draft.now} {key} />
		{@render change()}
	</section>
{:else if draft.here}
	<section>
		<PanelHead title="At the cursor" note="bar {draft.here.bar}, beat {draft.here.beat}" />
		<p class="py-2 font-mono text-ribbon font-bold wrap-anywhere">{draft.here.symbol}</p>
		<p>
			{draft.here.kind === 'silence'
				? 'Silence: no chord sounds, the next one is a change.'
				: 'Not read, so it sounds as silence. The rest of the chart is as it was.'}
		</p>
		{@render change()}
	</section>
{/if}
