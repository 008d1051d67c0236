<script lang="ts" module>
	import { type Chord, signs } from '$core/chord';
	import type { Tense } from './figures';

	/** A card: what it shows on a small piece of neck, how it is headed, what is under it, how it is told. */
	export type Card = {
		readonly key: string;
		readonly tense: Tense;
		readonly chord: Chord;
		/** In the place of the chord's symbol: a cell's name. */
		readonly title?: string;
		readonly head: string;
		readonly caption: string;
		readonly spoken: string;
		readonly drawing: Drawing;
	};
</script>

<script lang="ts">
	import { RadioGroup } from 'bits-ui';
	import { useTune } from '$lib/state/open-tune.svelte';
	import ChordSymbol from '../ChordSymbol.svelte';
	import ShapeCard, { type Drawing } from './ShapeCard.svelte';

	/** Cards of both chords in this place; left and right step through them. */
	type Props = {
		cards: readonly Card[];
		name: string;
		value: string;
		empty: string;
		leftHanded: boolean;
		/** What is told of the chosen card; without one what the cards mean. */
		detail: string;
		/** It asks for a stretch. */
		stretches: boolean;
		onpick: (key: string) => void;
	};
	let { cards, name, value, empty, leftHanded, detail, stretches, onpick }: Props = $props();
	const open = useTune();
	const groups = $derived(
		(['now', 'next'] as const).flatMap((tense) => {
			const own = cards.filter((entry) => entry.tense === tense);
			return own.length > 0 ? [{ tense, chord: own[0].chord, own }] : [];
		})
	);
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

{#if cards.length === 0}
	<p class="empty">{empty}</p>
{/if}
<div class="groups">
	{#each groups as { tense, chord, own } (tense)}
		<RadioGroup.Root
			value={own.some((entry) => entry.key === value) ? value : ''}
			onValueChange={onpick}
			orientation="horizontal"
			aria-label="{name} of {signs(chord.symbol)}, {tense}"
			class="shape-strip {tense}"
		>
			{#each own as { key, title, head, caption, spoken, drawing } (key)}
				<RadioGroup.Item
					value={key}
					class="shape-card"
					aria-label={spoken}
					onclick={(event) => {
						// A second press lets the shape go.
						if (value !== key) return;
						event.preventDefault();
						onpick('');
					}}
				>
					{#snippet children({ checked })}
						<span class="head" use:follow={checked}>
							<span class="symbol"
								>{#if title}{title}{:else}<ChordSymbol {chord} />{/if}</span
							>
							<b>{head}</b>
						</span>
						<span class="picture" use:seen={key}>
							{#if inView[key]}
								<ShapeCard
									{drawing}
									{tense}
									instrument={open.instrument}
									position={open.position}
									{leftHanded}
								/>
							{/if}
						</span>
						<span class="caption">{caption}</span>
					{/snippet}
				</RadioGroup.Item>
			{/each}
		</RadioGroup.Root>
	{/each}
</div>
<p class="detail">
	{detail}
	{#if stretches}<b>Warm up first; let go when it pulls.</b>{/if}
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
