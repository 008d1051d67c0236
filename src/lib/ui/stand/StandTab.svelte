<script lang="ts">
	import { fetched } from '$lib/state/fetched';
	import { countsOf } from '$core/band';
	import type { PlayedBar } from '$core/chart';
	import type { NoteAnswer } from '$lib/api/plan-schema';
	import { tabSign } from '$lib/draw/played-signs';
	import type { Box } from './stand-layout';

	/** The tab of this bar and the beginning of the next, large enough for a music stand. */
	type Props = {
		bar: PlayedBar;
		following: PlayedBar | undefined;
		notes: readonly NoteAnswer[];
		/** The beat that sounds, counted from 1; 0 when it is still. */
		beat: number;
		noteTick: number | null;
		strings: number;
		/** When this chord's and the next one's landing sound. */
		landings: { readonly now: number | null; readonly next: number | null };
		box: Box;
	};
	let { bar, following, notes, beat, noteTick, strings, landings, box }: Props = $props();

	/** How much of the width this bar takes; the next one goes on at the same scale and is cut. */
	const SHARE = 0.66;
	const uid = $props.id();
	const PAD = $derived(box.h * 0.16);
	const scale = $derived((box.w * SHARE - PAD) / bar.lengthTicks);
	const at = (tick: number) => PAD + (tick - bar.startTick) * scale;
	const atNext = (tick: number) =>
		following ? box.w * SHARE + PAD + (tick - following.startTick) * scale : 0;
	const row = (string: number) => ((string - 1) * box.h) / Math.max(1, strings - 1);
	const inBar = (of: PlayedBar | undefined) =>
		of
			? notes.filter(
					(note) => note.tick >= of.startTick && note.tick < of.startTick + of.lengthTicks
				)
			: [];
	const shown = $derived([
		...inBar(bar).map((note) => ({ note, x: at(note.tick) })),
		...inBar(following)
			.map((note) => ({ note, x: atNext(note.tick) }))
			.filter(({ x }) => x < box.w - 6)
	]);
	const spot = (note: NoteAnswer) => {
		const found = shown.find((entry) => entry.note === note);
		return found
			? { x: found.x, y: row(note.string), end: found.x + note.durationTicks * scale }
			: null;
	};
	const closest = $derived(
		shown
			.slice(1)
			.reduce((least, { x }, i) => (x > shown[i].x ? Math.min(least, x - shown[i].x) : least), 60)
	);
	const size = $derived(Math.min(box.h / 4.4, Math.max(16, closest * 0.9)));
	const counts = $derived(
		countsOf(bar.signature).map(({ offset, count }) => ({ count, x: at(bar.startTick + offset) }))
	);
	const width = $derived(counts.length > 1 ? counts[1].x - counts[0].x : box.w * SHARE);
</script>

<g transform="translate({box.x},{box.y})">
	<clipPath id="{uid}-tab"><rect x="-4" y={-box.h} width={box.w + 4} height={box.h * 3} /></clipPath
	>
	{#if beat > 0}
		{@const here = counts[beat - 1]}
		{#if here}
			<rect
				data-part="beat"
				class="fill-now-tint"
				x={here.x - PAD * 0.8}
				y={-box.h * 0.08}
				width={width * 0.92}
				height={box.h * 1.16}
			/>
			<rect
				class="fill-now"
				x={here.x - PAD * 0.8}
				y={-box.h * 0.08}
				width={width * 0.92}
				height="5"
			/>
		{/if}
	{/if}
	{#each Array.from({ length: strings }, (_, i) => i + 1) as string (string)}
		<line class="stroke-strong stroke-[1.2]" x1="0" x2={box.w} y1={row(string)} y2={row(string)} />
	{/each}
	{#each [0, box.w * SHARE, box.w] as x (x)}
		<line class="stroke-ink stroke-2" x1={x} x2={x} y1="0" y2={box.h} />
	{/each}
	<g clip-path="url(#{uid}-tab)">
		{#each shown as { note, x } (8 * note.tick + note.string)}
			{@const now = note.tick === landings.now}
			{@const next = note.tick === landings.next}
			{@const until = x + note.durationTicks * scale}
			{#if (now || next) && until - x > size * 2}
				<line
					class="stroke-5 now:stroke-now-line next:stroke-next-line"
					data-tense={now ? 'now' : next ? 'next' : undefined}
					x1={x + size * 0.7}
					x2={Math.min(box.w, until) - size * 0.4}
					y1={row(note.string)}
					y2={row(note.string)}
				/>
			{/if}
			{#if note.tick === noteTick}
				<rect
					data-part="sounding"
					class="fill-paper stroke-ink stroke-3"
					x={x - size * 0.62}
					y={row(note.string) - size * 0.62}
					width={size * 1.24}
					height={size * 1.24}
				/>
			{/if}
			<text
				class="fill-ink stroke-paper font-bold [paint-order:stroke] anchor-middle now:fill-now-ink next:fill-next-ink"
				data-tense={now ? 'now' : next ? 'next' : undefined}
				{x}
				y={row(note.string)}
				dy="0.35em"
				font-size={now || next ? size * 1.12 : size}
				stroke-width={size * 0.34}>{tabSign(note)}</text
			>
		{/each}
		{#await fetched(() => import('../TechniqueMarks.svelte')) then Marks}<Marks.default
				notes={shown.map(({ note }) => note)}
				{spot}
				size={size * 1.1}
			/>{/await}
	</g>
	{#each counts as { count, x } (count)}
		<text
			class="fill-third font-bold anchor-middle data-on:fill-now-ink"
			data-on={count === beat || undefined}
			{x}
			y={box.h + box.h * 0.22}
			font-size={box.h * 0.13}>{count}</text
		>
	{/each}
	{#if following}
		<text
			class="fill-next-ink font-bold anchor-middle"
			x={box.w * SHARE + PAD}
			y={box.h + box.h * 0.22}
			font-size={box.h * 0.13}>1</text
		>
	{/if}
</g>
