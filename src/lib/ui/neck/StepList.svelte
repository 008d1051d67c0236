<script lang="ts">
	import { signs, type Chord } from '$core/chord';
	import { RadioGroup } from 'bits-ui';
	import ChordSymbol from '../ChordSymbol.svelte';
	import type { Tense } from './figures';

	/** Rows to step through for one or two chords; the chosen one stands out on the neck. */
	type Row = {
		readonly key: string;
		readonly tense: Tense;
		readonly chord: Chord;
		/** What the row says, piece by piece; the first is heavy. */
		readonly parts: readonly string[];
		readonly verdict?: string;
	};
	type Props = {
		rows: readonly Row[];
		name: string;
		value: string;
		empty: string;
		onpick: (key: string) => void;
	};
	let { rows, name, value, empty, onpick }: Props = $props();
	const groups = $derived(
		(['now', 'next'] as const).flatMap((tense) => {
			const own = rows.filter((row) => row.tense === tense);
			return own.length > 0 ? [{ tense, chord: own[0].chord, own }] : [];
		})
	);
</script>

{#if rows.length === 0}<p class="py-3 text-second">{empty}</p>{/if}
<div class="grid grid-cols-[repeat(auto-fit,minmax(min(100%,300px),1fr))] gap-x-4 gap-y-2">
	{#each groups as { tense, chord, own } (tense)}
		<div data-tense={tense}>
			<p class="pt-1 pb-0.5 text-reason text-second">
				over <span class="text-head in-now:text-now-ink in-next:text-next-ink"
					><ChordSymbol {chord} /></span
				>
			</p>
			<RadioGroup.Root
				value={own.some((row) => row.key === value) ? value : ''}
				onValueChange={onpick}
				aria-label="{name} over {signs(chord.symbol)}, {tense}"
				class="grid grid-cols-[repeat(auto-fill,minmax(min(100%,260px),1fr))] gap-x-4 border-t border-hair p-0.5"
			>
				{#each own as row (row.key)}
					<RadioGroup.Item
						value={row.key}
						class="flex min-h-6.5 w-full flex-wrap items-baseline gap-x-2.5 gap-y-0 px-1.5 py-0.5 text-left text-line whitespace-nowrap hover:bg-lit data-[state=checked]:bg-ink data-[state=checked]:text-paper max-desk:min-h-8.5"
						onclick={(event) => {
							if (value !== row.key) return;
							event.preventDefault();
							onpick('');
						}}
					>
						{#each row.parts as part, i (i)}<span
								class="data-heavy:min-w-21 data-heavy:font-bold"
								data-heavy={i === 0 || undefined}>{part}</span
							>{/each}
						{#if row.verdict}<span
								class="ml-auto text-reason data-[verdict=clash]:underline data-[verdict=clash]:decoration-dotted data-[verdict=clash]:decoration-2 data-[verdict=clash]:underline-offset-4"
								data-verdict={row.verdict}>{row.verdict}</span
							>{/if}
					</RadioGroup.Item>
				{/each}
			</RadioGroup.Root>
		</div>
	{/each}
</div>
