<script lang="ts">
	import { PHRASE } from '$lib/words/keys/phrase';
	import Button from '$lib/ui/parts/Button.svelte';
	import { QUARTER } from '$core/kernel';
	import { eventAt } from '$core/chart';
	import { signs } from '$core/chord';
	import { TALKS, type BarPart } from '$core/phrase';
	import type { PhraseDesk } from '$lib/state/phrase-desk.svelte';
	import { useTransport } from '$lib/state/transport.svelte';
	import { toast } from 'svelte-sonner';
	import ChordSymbol from '../ChordSymbol.svelte';
	import type { MenuLine } from '../DropMenu.svelte';
	import KeyCap from '$lib/ui/parts/KeyCap.svelte';
	import MenuButton from '../MenuButton.svelte';
	import { talkWords } from './talk-words';

	/** The bars of the tune: which are the call's, the answer's, held, or air. */
	let { desk, width }: { desk: PhraseDesk; width: number } = $props();
	const transport = useTransport();
	const WORDS: Record<BarPart, string> = {
		free: 'the route’s own',
		call: 'call',
		answer: 'answer',
		hold: 'hold, then air',
		air: 'leave air'
	};
	const most = $derived(width < 620 ? 4 : 8);
	const { played } = $derived(desk.open.chart);
	const phrase = $derived(desk.talk.parts ? desk.laid : desk.phrase());
	/** The page of bars that holds the one that is looked at; the last page is full, too. */
	const from = $derived(
		Math.max(0, Math.min(Math.floor(desk.bar / most) * most, played.length - most))
	);
	const cell = $derived(width / Math.min(most, played.length));
	const bars = $derived(
		played.slice(from, from + most).map((bar) => {
			const event = eventAt(desk.open.chart, bar.startTick);
			const before = eventAt(desk.open.chart, bar.startTick - 1);
			const end = bar.startTick + bar.lengthTicks;
			const notes = phrase.notes.filter((note) => note.tick >= bar.startTick && note.tick < end);
			const tense = desk.shown.findIndex((change) => change.to.symbol === event?.symbol);
			return {
				bar,
				part: desk.parts[bar.index] ?? 'free',
				chord: event?.chord ?? null,
				shown: bar.index === from || event?.symbol !== before?.symbol,
				tense: desk.parts[bar.index] === 'air' ? '' : (['now', 'next'][tense] ?? ''),
				fresh: bar.section !== played[bar.index - 1]?.section ? bar.section : null,
				treads: notes.map((note, i) => ({
					x: (note.tick - bar.startTick) / bar.lengthTicks,
					w: Math.min(note.durationTicks, end - note.tick) / bar.lengthTicks,
					raised: (note.tick - bar.startTick) % QUARTER !== 0,
					last: i === notes.length - 1
				}))
			};
		})
	);
	const section = $derived(played[desk.bar]?.section ?? null);
	const sections = $derived(new Set(played.map((bar) => bar.section)).size);
	/** Many bars change at once: the layout before comes back on request. */
	function lay(change: () => void, says: string): void {
		const before = desk.talk.parts;
		change();
		toast(says, { action: { label: 'Undo', onClick: () => desk.talk.set(before) } });
	}
	const fill = (name: string, parts: readonly BarPart[], only?: string | null) =>
		lay(() => desk.talk.fill(desk.open.chart, desk.parts, parts, only), `${name}: laid out.`);
	const here = $derived(section ?? 'this section');
	const lines: readonly MenuLine[] = $derived([
		...TALKS.map(({ name, parts }) => ({ name, run: () => fill(name, parts) })),
		...(sections > 1
			? [
					null,
					...TALKS.map(({ name, parts }) => ({
						name: `${name}, in ${here} only`,
						run: () => fill(name, parts, section)
					}))
				]
			: []),
		null,
		{
			name: 'Only the two chords above',
			run: () => lay(() => desk.talk.set(null), 'The call and its answer, nothing else.')
		}
	]);
	function choose(index: number): void {
		if (desk.bar === index) desk.nextPart();
		else desk.bar = index;
	}
	function walk(event: KeyboardEvent, index: number): void {
		const by = { ArrowLeft: -1, ArrowRight: 1 }[event.key];
		if (by === undefined || event.shiftKey) return;
		const there = index + by;
		if (there < 0 || there >= played.length) return;
		event.preventDefault();
		event.stopPropagation();
		desk.bar = there;
		const row = (event.currentTarget as Element).parentElement;
		requestAnimationFrame(() => row?.querySelector<HTMLElement>('[tabindex="0"]')?.focus());
	}
	const label = (at: (typeof bars)[number]) =>
		`Bar ${at.bar.index + 1}, ${at.chord ? signs(at.chord.symbol) : 'silence'}: ${WORDS[at.part]}`;
</script>

<section class="pt-1" aria-label="Where to play">
	<div class="flex flex-wrap items-baseline gap-x-3 gap-y-0 pb-1">
		<h2 class="font-display text-head font-extrabold">Where to play</h2>
		<small class="text-reason text-second">{talkWords(desk.parts)}</small>
		<span class="ml-auto flex flex-wrap gap-x-4 gap-y-0 pr-4 text-line">
			<Button look="quiet" onclick={() => desk.nextPart()}
				>Bar {desk.bar + 1}: {WORDS[desk.parts[desk.bar] ?? 'free']}
				<KeyCap of={PHRASE.part} /></Button
			>
			<MenuButton {lines}>Fill</MenuButton>
		</span>
	</div>
	<div
		class="drawn flex border-t-2 border-ink"
		role="group"
		aria-label="Bars {from + 1} to {from + bars.length}"
	>
		{#each bars as at (at.bar.index)}
			<button
				type="button"
				class="grid min-w-0 grid-rows-[22px_18px_18px] border-t-4 border-l border-t-transparent border-l-hair px-1.5 pt-1 text-left aria-pressed:shadow-[inset_0_-4px_0_var(--ink)] data-sounding:border-t-ink data-[part=air]:[border-left-style:dashed] now:data-[part=answer]:border-t-now-line now:data-[part=answer]:bg-now-tint now:data-[part=call]:border-t-now-line now:data-[part=call]:bg-now-tint now:data-[part=hold]:border-t-now-line now:data-[part=hold]:bg-now-tint next:data-[part=answer]:border-t-next-line next:data-[part=answer]:bg-next-tint next:data-[part=call]:border-t-next-line next:data-[part=call]:bg-next-tint next:data-[part=hold]:border-t-next-line next:data-[part=hold]:bg-next-tint"
				data-tense={at.tense}
				data-part={at.part}
				data-sounding={(transport.heard.kind === 'playing' &&
					transport.heard.bar === at.bar.index) ||
					undefined}
				style:width="{cell}px"
				tabindex={at.bar.index === desk.bar ? 0 : -1}
				aria-pressed={at.bar.index === desk.bar}
				aria-label={label(at)}
				onclick={() => choose(at.bar.index)}
				data-arrows
				onkeydown={(event) => walk(event, at.bar.index)}
			>
				<span class="flex min-w-0 items-baseline justify-between overflow-hidden whitespace-nowrap">
					{#if at.shown && at.chord}<b class="text-head"><ChordSymbol chord={at.chord} /></b>{/if}
					<i class="ml-auto text-count text-second not-italic">{at.bar.index + 1}</i>
				</span>
				<span
					class="truncate text-reason in-data-[part=answer]:font-bold in-data-[part=call]:font-bold"
					>{at.part === 'free' ? '' : WORDS[at.part]}</span
				>
				<svg
					class="block h-4.5 w-full"
					viewBox="0 0 100 18"
					preserveAspectRatio="none"
					aria-hidden="true"
				>
					<line
						class="stroke-strong data-air:dash-[2_6]"
						data-air={at.part === 'air' || at.part === 'free' || undefined}
						x1="0"
						x2="100"
						y1="17"
						y2="17"
					/>
					{#each at.treads as tread, i (i)}
						<rect
							class="fill-strong data-last:fill-ink"
							data-last={tread.last || undefined}
							x={tread.x * 100 + 1}
							y={tread.raised ? 2 : 9}
							width={Math.max(2, tread.w * 100 - 2)}
							height="6"
						/>
					{/each}
				</svg>
			</button>
		{/each}
	</div>
</section>
