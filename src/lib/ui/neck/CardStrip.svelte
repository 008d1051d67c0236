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
	<p class="py-3 text-second">{empty}</p>
{/if}
<div class="grid grid-cols-[repeat(auto-fit,minmax(min(100%,300px),1fr))] gap-4">
	{#each groups as { tense, chord, own } (tense)}
		<RadioGroup.Root
			value={own.some((entry) => entry.key === value) ? value : ''}
			onValueChange={onpick}
			orientation="horizontal"
			aria-label="{name} of {signs(chord.symbol)}, {tense}"
			class="-mx-1 grid grid-cols-[repeat(auto-fill,minmax(148px,1fr))] content-start gap-3 p-1"
			data-tense={tense}
		>
			{#each own as { key, title, head, caption, spoken, drawing } (key)}
				<RadioGroup.Item
					value={key}
					class="border-2 border-transparent px-1 pt-px pb-1 text-left hover:bg-lit data-[state=checked]:border-ink"
					aria-label={spoken}
					onclick={(event) => {
						// A second press lets the shape go.
						if (value !== key) return;
						event.preventDefault();
						onpick('');
					}}
				>
					{#snippet children({ checked })}
						<span class="flex flex-wrap items-baseline gap-x-2 text-reason" use:follow={checked}>
							<span class="text-head in-now:text-now-ink in-next:text-next-ink"
								>{#if title}{title}{:else}<ChordSymbol {chord} />{/if}</span
							>
							<b>{head}</b>
						</span>
						<span class="block aspect-[168/109]" use:seen={key}>
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
						<span class="text-reason text-second">{caption}</span>
					{/snippet}
				</RadioGroup.Item>
			{/each}
		</RadioGroup.Root>
	{/each}
</div>
<p data-part="detail" class="min-h-[2.6em] pt-0.5 text-reason leading-snug text-second">
	{detail}
	{#if stretches}<b>Warm up first; let go when it pulls.</b>{/if}
</p>
