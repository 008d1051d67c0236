<script lang="ts">
	import { keyName, parseKey, suggestKey, type Chart } from '$core/chart';
	import { proseSigns, type Key } from '$core/chord';
	import { homesShown, keyOf, rankTonics, sameKey, type RankedTonic } from '$core/harmony';
	import { pitchClass } from '$core/pitch';
	import { RadioGroup } from 'bits-ui';
	import KeyCap from '../KeyCap.svelte';
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

	let typed = $state('');
	let wrong = $state('');
	let field: HTMLInputElement;
	function take(event: SubmitEvent): void {
		event.preventDefault();
		const read = parseKey(typed);
		if (!read) {
			const meant = suggestKey(typed);
			wrong = `“${typed}” is not a key: ${meant ? `did you mean ${meant}?` : 'write a note and, if it is not major, a mode: F# minor, Bb blues, D dorian.'}`;
			return;
		}
		wrong = '';
		typed = '';
		onkey(read);
	}
	/** The next of the homes shown becomes the key. */
	export function nextHome(): void {
		const at = chosen ? shown.indexOf(chosen) : -1;
		const next = shown[(at + 1) % shown.length];
		if (next) onkey({ tonic: next.tonic, mode: next.mode });
	}
	export function typeKey(): void {
		field.focus();
	}
</script>

<section>
	<div class="section-head"><h2 id="home">Where is home?</h2></div>
	{#if shown.length === 0}
		<p class="note">Write a chord or two: then the tonics are weighed.</p>
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
			<RadioGroup.Item value={name} class="home-row">
				{#snippet children({ checked })}
					<span class="dot" class:checked></span>
					<span class="name" class:lead>{keyWords(name)}</span>
					<span class="word">{strength(entry)}</span>
					<span class="bar" aria-hidden="true"
						><i style="width:{100 * entry.score}%" class:lead></i></span
					>
					<span class="reasons">
						{#each told(entry, lead) as reason (reason)}<span>{proseSigns(reason)}</span>{/each}
					</span>
				{/snippet}
			</RadioGroup.Item>
		{/each}
	</RadioGroup.Root>
	<p class="note">
		{#if written}
			Your text says {keyWords(keyName(written))}.
			<button type="button" class="inline" onclick={() => onkey(null)}
				><code>key: auto</code></button
			> lets the ranking decide.
		{:else if shown.length > 0}
			The ranking decides. Choosing one writes it into the text.
		{/if}
	</p>
	<form onsubmit={take}>
		<label for="own-key">Type a key</label>
		<input
			id="own-key"
			bind:this={field}
			bind:value={typed}
			placeholder="D dorian"
			autocomplete="off"
			aria-describedby={wrong ? 'own-key-wrong' : undefined}
			aria-invalid={wrong !== ''}
		/>
		<KeyCap keys="K" />
		<span class="next"><span>Next home</span> <KeyCap keys="T" /></span>
	</form>
	{#if wrong}<p id="own-key-wrong" class="wrong" role="alert">{wrong}</p>{/if}
</section>

<style>
	section :global(.home-row) {
		display: grid;
		grid-template-columns: 22px 1fr auto 60px;
		align-items: center;
		column-gap: 6px;
		width: 100%;
		padding: 7px 0 8px;
		text-align: left;
		border-bottom: 1px solid var(--hair);
	}
	section :global(.home-row:hover) {
		background: var(--lit);
	}
	.dot {
		width: 13px;
		height: 13px;
		border: 1.5px solid var(--ink);
		border-radius: 50%;
	}
	.dot.checked {
		background: var(--ink);
	}
	.name {
		font-family: var(--font-display);
		font-weight: 600;
		font-size: 18px;
	}
	.name.lead {
		font-weight: 800;
		font-size: 20px;
	}
	.word {
		font-size: 13px;
		color: var(--second);
	}
	.bar {
		height: 11px;
		background: var(--density-1);
	}
	.bar i {
		display: block;
		height: 100%;
		background: var(--density-3);
	}
	.bar i.lead {
		background: var(--density-4);
	}
	.reasons {
		grid-column: 2 / -1;
		display: grid;
		font-size: 13px;
		line-height: 1.32;
		color: var(--second);
	}
	.reasons span::before {
		content: '· ';
	}
	.note {
		font-size: 13px;
		color: var(--second);
		padding: 8px 0;
	}
	.inline {
		border-bottom: 1.5px solid var(--ink);
		color: var(--ink);
		font-weight: 700;
	}
	form {
		display: flex;
		align-items: center;
		gap: 8px;
		font-size: 13px;
	}
	input {
		width: 92px;
		height: 30px;
		padding: 0 6px;
		border: 1.5px solid var(--strong);
		background: var(--lit);
		font-family: var(--font-mono);
		font-weight: 500;
		color: var(--ink);
	}
	.next {
		margin-left: auto;
		display: inline-flex;
		align-items: center;
		gap: 6px;
	}
	.wrong {
		font-size: 13px;
		font-weight: 700;
		padding-top: 6px;
	}
</style>
