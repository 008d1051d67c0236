<script lang="ts">
	import { fetched } from '$lib/state/fetched';
	import { QUARTER } from '$core/kernel';
	import { changeIndexAt } from '$core/chart';
	import { roleWords, proseSigns } from '$core/chord';
	import type { NoteAnswer } from '$lib/api/plan-schema';
	import { placeFor } from '$lib/state/line-edit';
	import { hear } from '$lib/state/hear';
	import type { LineSelection } from '$lib/state/line-selection.svelte';
	import { useTune } from '$lib/state/open-tune.svelte';
	import { prefs } from '$lib/state/prefs.svelte';
	import type { RoutePlan } from '$lib/state/route-plan.svelte';
	import { isDead } from '$core/route';
	import { noteKey } from '$lib/state/note-key';
	import RoleMark from '../RoleMark.svelte';
	import { playedWords } from './line-words';
	import type { TimeAxis } from '$lib/draw/strip-geometry';

	/** The notes between landings, at true pitch on stems from their arc; each can be picked and dragged. */
	type Props = {
		plan: RoutePlan;
		selection: LineSelection;
		axis: TimeAxis;
		width: number;
		y: (midi: number) => number;
		/** Height of the arc over a tick; null where there is none. */
		arcY: (tick: number) => number | null;
		/** Ticks of one place of the grid. */
		grid: number;
		/** Notes cannot be taken hold of: something is being written. */
		still: boolean;
	};
	let { plan, selection, axis, width, y, arcY, grid, still }: Props = $props();
	const open = useTune();

	/** Places closer than this hold small marks without a label. */
	const ROOMY = 19;
	const spacing = $derived(axis.x(grid) - axis.x(0));
	const semitone = $derived(Math.abs(y(60) - y(61)));
	const clashes = $derived(new Set((plan.check?.clashes ?? []).map((stray) => stray.tick)));

	type Shown = {
		readonly note: NoteAnswer;
		readonly x: number;
		readonly end: number;
		readonly tense: 'now' | 'next' | 'ink';
		readonly rises: boolean;
	};
	const shown = $derived(
		plan.line.flatMap((note, i): Shown[] => {
			const x = axis.x(note.tick);
			if (note.kind === 'target' || x < 4 || x > width - 4) return [];
			const change = changeIndexAt(open.chart, note.tick);
			const next = change === open.cursor && open.next !== null;
			const tense = next ? 'next' : change === open.before?.index ? 'now' : 'ink';
			const end = axis.x(note.tick + note.durationTicks);
			return [{ note, x, end, tense, rises: (plan.line[i + 1]?.midi ?? 0) > note.midi }];
		})
	);
	/** Notes at one moment hang on one stem. */
	const stems = $derived.by(() => {
		const moments = new Map<number, number[]>();
		for (const { tick, midi } of plan.line) moments.set(tick, [...(moments.get(tick) ?? []), midi]);
		return [...moments].flatMap(([tick, pitches]) => {
			const x = axis.x(tick);
			if (pitches.length < 2 || x < 4 || x > width - 4) return [];
			return [{ tick, x, low: y(Math.min(...pitches)), high: y(Math.max(...pitches)) }];
		});
	});
	const spot = ({ tick, durationTicks, midi }: NoteAnswer) => {
		const x = axis.x(tick);
		return x < 4 || x > width - 4 ? null : { x, y: y(midi), end: axis.x(tick + durationTicks) };
	};
	const words = ({ note }: Shown): string => {
		const symbol = proseSigns(open.chart.events[note.chord]?.symbol ?? '');
		const what = note.role ? `${roleWords(note.role)} of ${symbol}` : `over ${symbol}`;
		const beat = Number((1 + (note.tick - axis.startTick) / QUARTER).toFixed(2));
		const how = playedWords(note);
		return `Note, ${beat} quarters into the strip: ${prefs.name(note.name)}, ${what}, string ${note.string}, fret ${note.fret}${how === '' ? '' : `, ${how}`}`;
	};

	/** A note that is being dragged: by how many semitones and places of the grid. */
	let drag: { key: number; x: number; y: number; semitones: number; places: number } | null =
		$state(null);
	function down(event: PointerEvent, note: NoteAnswer): void {
		if (event.button !== 0 || still) return;
		hear(note.midi);
		selection.pick(note, {
			add: event.ctrlKey || event.metaKey,
			range: event.shiftKey
		});
		(event.currentTarget as Element).setPointerCapture(event.pointerId);
		drag = { key: noteKey(note), x: event.clientX, y: event.clientY, semitones: 0, places: 0 };
	}
	function moved(event: PointerEvent): void {
		if (!drag) return;
		drag.semitones = Math.round((drag.y - event.clientY) / semitone);
		drag.places = Math.round((event.clientX - drag.x) / spacing);
	}
	function up(note: NoteAnswer): void {
		if (!drag) return;
		const { semitones, places } = drag;
		drag = null;
		if (semitones === 0 && places === 0) return;
		const { held: instrument, chart } = open;
		const position = plan.handAt(changeIndexAt(chart, note.tick));
		const place =
			semitones === 0 ? null : placeFor({ instrument, position }, note.midi + semitones, note);
		selection.drop(note, place, places);
	}
</script>

{#each stems as stem (stem.tick)}
	<line class="stroke-ink stroke-2" x1={stem.x} x2={stem.x} y1={stem.low} y2={stem.high} />
{/each}
{#each shown as entry (noteKey(entry.note))}
	{@const { note, tense } = entry}
	{@const dragged = drag?.key === noteKey(note) ? drag : null}
	{@const x = entry.x + (dragged ? dragged.places * spacing : 0)}
	{@const at = y(note.midi + (dragged?.semitones ?? 0))}
	{@const base = arcY(note.tick)}
	{@const small = spacing < ROOMY}
	{@const picked = selection.has(note)}
	<g
		role="button"
		data-part="note"
		class="cursor-grab touch-none outline-offset-2 active:cursor-grabbing"
		data-tense={tense}
		tabindex={selection.leading && noteKey(selection.leading) === noteKey(note) ? 0 : -1}
		aria-pressed={picked}
		aria-label={words(entry)}
		data-tick={note.tick}
		onpointerdown={(event) => down(event, note)}
		onpointermove={moved}
		onpointerup={() => up(note)}
		onpointercancel={() => (drag = null)}
	>
		{#if base !== null && !stems.some(({ tick }) => tick === note.tick)}
			<line class="stroke-strong stroke-[1.25]" x1={x} x2={x} y1={base} y2={at} />
			<circle class="fill-second" cx={x} cy={base} r="1.6" />
		{/if}
		<rect
			data-part="reach"
			class="fill-transparent"
			x={x - Math.max(6, spacing / 2)}
			y={at - 12}
			width={Math.max(12, spacing)}
			height="24"
		/>
		{#if entry.end - entry.x > 1.6 * spacing}
			<line
				class="stroke-second stroke-3 in-now:stroke-now-line in-next:stroke-next-line"
				x1={x + 9}
				x2={entry.end - 5}
				y1={at}
				y2={at}
			/>
		{/if}
		<g transform="translate({x},{at})">
			{#if picked}<circle class="fill-paper stroke-ink stroke-2" r={small ? 9 : 13.5} />{/if}
			{#if isDead(note)}
				<path class="fill-none stroke-ink stroke-[2.4] cap-round" d="M-5,-5L5,5M5,-5L-5,5" />
			{:else if note.role}
				<RoleMark
					{...{ [tense]: note.role }}
					label={small ? '' : prefs.label({ role: note.role, name: note.name, pc: note.midi % 12 })}
					r={small ? 6 : 9.5}
				/>
			{:else if note.kind === 'chromatic' || (note.kind === 'enclosure' && !clashes.has(note.tick))}
				<path
					class="fill-none stroke-ink stroke-[2.6] in-now:stroke-now-line in-next:stroke-next-line"
					d={entry.rises ? 'M-6,3L0,-4L6,3' : 'M-6,-3L0,4L6,-3'}
				/>
			{:else if clashes.has(note.tick)}
				<path
					class="fill-none stroke-second stroke-4 dash-[3_2] in-now:stroke-now-line in-next:stroke-next-line"
					d="M-8,2Q-4,-5 0,0T8,-2"
				/>
			{:else}
				<line
					class="stroke-second stroke-5 cap-round in-now:stroke-now-line in-next:stroke-next-line"
					x1={small ? -5 : -8}
					x2={small ? 5 : 8}
					y1="0"
					y2="0"
				/>
			{/if}
		</g>
	</g>
{/each}
{#if spacing >= ROOMY}{#await fetched(() => import('../TechniqueMarks.svelte')) then Marks}<Marks.default
			notes={plan.line}
			{spot}
			size={20}
			ring
		/>{/await}{/if}
