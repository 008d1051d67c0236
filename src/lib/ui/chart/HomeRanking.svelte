<script lang="ts">
	import { CHART } from '$lib/words/keys/chart';
	import Empty from '$lib/ui/parts/Empty.svelte';
	import LineForm from '$lib/ui/parts/LineForm.svelte';
	import PanelHead from '$lib/ui/parts/PanelHead.svelte';
	import { keyForm } from '$lib/api/form-schema';
	import { keyName, parseKey, type Chart } from '$core/chart';
	import { proseSigns, type Key } from '$core/chord';
	import { homesShown, keyOf, rankTonics, sameKey, type RankedTonic } from '$core/harmony';
	import { pitchClass } from '$core/pitch';
	import { RadioGroup } from 'bits-ui';
	import KeyCap from '$lib/ui/parts/KeyCap.svelte';
	import { keyWords } from '$lib/words/words';

	/** Where the chart is at home, ranked with reasons; the player may overrule it. */
	type Props = {
		chart: Chart;
		/** A key was chosen, or null to let the ranking decide. */
		onkey: (key: Key | null) => void;
	};
	let { chart, onkey }: Props = $props();

	/** A lead of this much over the next home is a clear one. */
	const CLEAR = 0.1;

	const ranking = $derived(rankTonics(chart));
	const key = $derived(keyOf(chart));
	const written = $derived(chart.headers.key);
	const shown = $derived(homesShown(chart, ranking));
	function sameKeySound(a: Key, b: Key): boolean {
		return a.mode === b.mode && pitchClass(a.tonic) === pitchClass(b.tonic);
	}
	const strength = (entry: RankedTonic) => {
		const [best, second] = ranking;
		if (entry === best) return best.score - (second?.score ?? 0) >= CLEAR ? 'clear' : 'likely';
		if (entry.rival && best.rival && sameKeySound(entry.rival, best)) return 'rival';
		return entry.score > 0.55 * best.score ? 'possible' : 'weak';
	};
	/** All reasons of the home in use; of the others the first, and always what would decide for a rival. */
	const told = ({ reasons, rival }: RankedTonic, all: boolean) =>
		all
			? reasons.slice(0, 7)
			: [...reasons.slice(0, rival ? 2 : 3), ...(rival ? reasons.slice(-1) : [])];
	const chosen = $derived(key ? shown.find((entry) => sameKeySound(entry, key)) : undefined);

	let line: LineForm | undefined = $state();
	function take(text: string): undefined {
		const read = parseKey(text);
		if (read) onkey(read);
	}
	/** The next of the homes shown becomes the key. */
	export function nextHome(): void {
		const at = chosen ? shown.indexOf(chosen) : -1;
		const next = shown[(at + 1) % shown.length];
		if (next) onkey({ tonic: next.tonic, mode: next.mode });
	}
	export function typeKey(): void {
		line?.focus();
	}
</script>

<section>
	<PanelHead id="home" title="Where is home?" />
	{#if shown.length === 0}
		<Empty>Write a chord or two: then the tonics are weighed.</Empty>
	{/if}
	<RadioGroup.Root
		value={chosen ? keyName(chosen) : ''}
		onValueChange={(name) => {
			const entry = shown.find((other) => keyName(other) === name);
			if (entry && !(key && sameKey(entry, key))) onkey({ tonic: entry.tonic, mode: entry.mode });
		}}
		aria-labelledby="home"
	>
		{#each shown as entry (keyName(entry))}
			{@const name = keyName(entry)}
			{@const lead = entry === chosen}
			<RadioGroup.Item
				value={name}
				class="grid w-full grid-cols-[22px_1fr_auto_60px] items-center gap-x-1.5 border-b border-hair py-2 text-left hover:bg-lit"
			>
				{#snippet children({ checked })}
					<span
						class="size-3.25 rounded-full border-[1.5px] border-ink data-checked:bg-ink"
						data-checked={checked || undefined}
					></span>
					<span
						class="font-display text-head font-semibold data-lead:text-head data-lead:font-extrabold"
						data-lead={lead || undefined}>{keyWords(name)}</span
					>
					<span class="text-reason text-second">{strength(entry)}</span>
					<span class="h-2.75 bg-density-1" aria-hidden="true"
						><i
							class="block h-full bg-density-3 data-lead:bg-density-4"
							data-lead={lead || undefined}
							style="width:{100 * entry.score}%"
						></i></span
					>
					<span class="col-start-2 -col-end-1 grid text-reason leading-[1.32] text-second">
						{#each told(entry, lead) as reason (reason)}<span class="before:content-['·_']"
								>{proseSigns(reason)}</span
							>{/each}
					</span>
				{/snippet}
			</RadioGroup.Item>
		{/each}
	</RadioGroup.Root>
	<p class="py-2 text-reason text-second">
		{#if written}
			Your text says {keyWords(keyName(written))}.
			<button
				type="button"
				class="border-b-[1.5px] border-ink font-bold text-ink"
				onclick={() => onkey(null)}><code>key: auto</code></button
			> lets the ranking decide.
		{:else if shown.length > 0}
			The ranking decides. Choosing one writes it into the text.
		{/if}
	</p>
	<LineForm
		bind:this={line}
		schema={keyForm}
		label="Type a key"
		placeholder="D dorian"
		maxlength={60}
		row
		ontake={take}
	>
		{#snippet after()}
			<span class="flex items-center gap-1.5 text-reason"
				><KeyCap of={CHART.key} /> <span class="pl-3">Next home</span>
				<KeyCap of={CHART.home} /></span
			>
		{/snippet}
	</LineForm>
</section>
