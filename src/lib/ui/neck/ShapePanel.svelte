<script lang="ts">
	import { signs } from '$core/chord';
	import { RadioGroup } from 'bits-ui';
	import { useTune } from '$lib/state/open-tune.svelte';
	import ChordSymbol from '../ChordSymbol.svelte';
	import type { NeckView } from './neck-view.svelte';
	import ShapeCard from './ShapeCard.svelte';
	import { captionWords, detailWords, kindWords, spokenWords } from './shape-words';

	/** Cards of the arpeggio shapes of both chords in this place; left and right step through them. */
	let { view, leftHanded }: { view: NeckView; leftHanded: boolean } = $props();
	const open = useTune();
	const groups = $derived(
		(['now', 'next'] as const).flatMap((tense) => {
			const cards = view.shapes.filter((entry) => entry.tense === tense);
			return cards.length > 0 ? [{ tense, chord: cards[0].chord, cards }] : [];
		})
	);
	const chosen = $derived(view.shapes.find((entry) => entry.key === view.choice));
	const join = $derived(chosen ? view.joinOf(chosen) : null);
	const details = $derived.by(() => {
		if (!chosen) return '';
		const on = join ? [`goes on to position ${join.position}: ${join.words}`] : [];
		return `${[...detailWords(chosen.item), ...on].join(' · ')}.`;
	});
	/** Only cards in view are drawn: a step of the hand redraws a handful of them, not all. */
	let inView: Record<string, boolean> = $state({});
	function seen(node: HTMLElement, key: string) {
		const observer = new IntersectionObserver(([entry]) => (inView[key] = entry.isIntersecting), {
			rootMargin: '120px'
		});
		observer.observe(node);
		return { destroy: () => observer.disconnect() };
	}
	/** A chosen card comes into view. */
	function follow(node: HTMLElement, on: boolean) {
		const show = (wanted: boolean) => {
			if (wanted) node.closest('button')?.scrollIntoView({ block: 'nearest', inline: 'nearest' });
		};
		show(on);
		return { update: show };
	}
</script>

{#if view.shapes.length === 0}
	<p class="empty">No tone of these chords lies in this place.</p>
{/if}
<div class="groups">
	{#each groups as { tense, chord, cards } (tense)}
		<RadioGroup.Root
			value={cards.some((entry) => entry.key === view.choice) ? view.choice : ''}
			onValueChange={(key) => view.pick(key)}
			orientation="horizontal"
			aria-label="Arpeggio shapes of {signs(chord.symbol)}, {tense}"
			class="shape-strip {tense}"
		>
			{#each cards as { key, item } (key)}
				<RadioGroup.Item
					value={key}
					class="shape-card"
					aria-label={spokenWords(item, chord.symbol)}
					onclick={(event) => {
						// A second press lets the shape go.
						if (view.choice !== key) return;
						event.preventDefault();
						view.pick('');
					}}
				>
					{#snippet children({ checked })}
						<span class="head" use:follow={checked}>
							<span class="symbol"><ChordSymbol {chord} /></span>
							<b>{kindWords(item)}</b>
						</span>
						<span class="picture" use:seen={key}>
							{#if inView[key]}
								<ShapeCard
									shape={item}
									{tense}
									instrument={open.instrument}
									position={open.position}
									{leftHanded}
								/>
							{/if}
						</span>
						<span class="caption">{captionWords(item)}</span>
					{/snippet}
				</RadioGroup.Item>
			{/each}
		</RadioGroup.Root>
	{/each}
</div>
<p class="detail">
	{#if chosen}
		{details}
		{#if chosen.item.comfort !== 'easy'}<b>Warm up first; let go when it pulls.</b>{/if}
	{:else}
		Numbers are fingers. The chosen shape stands out on the neck; choose it again to let it go.
	{/if}
</p>

<style>
	.groups {
		display: grid;
		grid-template-columns: repeat(auto-fit, minmax(min(100%, 300px), 1fr));
		gap: 16px;
	}
	:global(.shape-strip) {
		display: flex;
		align-items: start;
		gap: 12px;
		overflow-x: auto;
		scroll-snap-type: x proximity;
		scrollbar-width: thin;
		scrollbar-color: var(--strong) transparent;
		padding: 5px 4px 4px;
		margin: 0 -4px;
	}
	:global(.shape-card) {
		flex: 0 0 calc(50% - 6px);
		min-width: 148px;
		text-align: left;
		scroll-snap-align: start;
		padding: 1px 4px 3px;
		border: 2px solid transparent;
	}
	:global(.shape-card:hover) {
		background: var(--lit);
	}
	:global(.shape-card[data-state='checked']) {
		border-color: var(--ink);
	}
	.head {
		display: flex;
		align-items: baseline;
		gap: 8px;
		font-size: 13px;
		white-space: nowrap;
	}
	.symbol {
		font-size: 20px;
	}
	:global(.now) .symbol {
		color: var(--now-ink);
	}
	:global(.next) .symbol {
		color: var(--next-ink);
	}
	.picture {
		display: block;
		aspect-ratio: 168 / 96;
	}
	.caption {
		font-size: 13px;
		color: var(--second);
	}
	.detail {
		font-size: 13px;
		line-height: 1.3;
		color: var(--second);
		padding-top: 2px;
		min-height: 2.6em;
	}
	.empty {
		padding: 12px 0;
		color: var(--second);
	}
</style>
