<script lang="ts">
	import { fetched } from '$lib/state/fetched';
	import FirstVisit from '$lib/ui/FirstVisit.svelte';
	import Screen from '$lib/ui/parts/Screen.svelte';
	import Button from '$lib/ui/parts/Button.svelte';
	import PanelHead from '$lib/ui/parts/PanelHead.svelte';
	import {
		FORMS,
		formBars,
		keyName,
		setHeader,
		transposeText,
		withBars,
		type ChartForm
	} from '$core/chart';
	import { type Note } from '$core/pitch';
	import { type Key } from '$core/chord';
	import { functionsAlong, keyOf, scaleInUse } from '$core/harmony';
	import { afterParts } from '$lib/state/in-turn';
	import { ChartDraft } from '$lib/state/chart-draft.svelte';
	import { useKeys } from '$lib/state/keys';
	import { CHART } from '$lib/words/keys/chart';
	import { EVERYWHERE } from '$lib/words/keys/everywhere';
	import { prefs } from '$lib/state/prefs.svelte';
	import { useTransport } from '$lib/state/transport.svelte';
	import { useTune } from '$lib/state/open-tune.svelte';
	import AtCursor from '$lib/ui/chart/AtCursor.svelte';
	import BarGrid from '$lib/ui/chart/BarGrid.svelte';
	import ChartVerdict from '$lib/ui/chart/ChartVerdict.svelte';
	import FormList from '$lib/ui/chart/FormList.svelte';
	import HomeRanking from '$lib/ui/chart/HomeRanking.svelte';
	import { ChartKeeping } from '$lib/ui/chart/chart-keeping.svelte';
	import NameTune from '$lib/ui/chart/NameTune.svelte';
	import OutsideList from '$lib/ui/chart/OutsideList.svelte';
	import ScaleInUse from '$lib/ui/chart/ScaleInUse.svelte';
	import TransposeRow from '$lib/ui/chart/TransposeRow.svelte';
	import ChartEditor from '$lib/ui/editor/ChartEditor.svelte';
	import FootKeys from '$lib/ui/FootKeys.svelte';
	import KeyCap from '$lib/ui/parts/KeyCap.svelte';
	import Later from '$lib/ui/Later.svelte';
	import TuneBar from '$lib/ui/TuneBar.svelte';
	import { plural } from '$lib/words/words';
	import { page } from '$app/state';
	import { onMount, tick, untrack } from 'svelte';
	import { toast } from 'svelte-sonner';

	const open = useTune();
	/** Somebody came for a form to start from. */
	const forms = page.url.searchParams.has('forms');
	const draft = new ChartDraft(open);
	const keeping = new ChartKeeping(draft);
	/** Ms without a letter after which the band takes the new text up. */
	const TYPING_PAUSE = 800;
	// What is written is what is played, saved or not.
	const transport = useTransport();
	$effect(() => {
		const written = draft.dirty ? { text: draft.text, chart: draft.chart } : null;
		// While it plays the band waits until the typing pauses, else every letter would stop it.
		const pause = untrack(() => (transport.playing ? TYPING_PAUSE : 0));
		const timer = setTimeout(() => (transport.draft = written), pause);
		return () => clearTimeout(timer);
	});
	onMount(() => () => (transport.draft = null));
	/** While it plays the grid shows what is heard, else what the cursor is on. */
	const shown = $derived.by(() => {
		const { heard } = transport;
		if (heard.kind !== 'playing') return { now: draft.now, next: draft.next, bar: null };
		const { changes } = chart;
		return {
			now: heard.now === null ? null : (changes[heard.now]?.to ?? null),
			next: heard.next === null ? null : (changes[heard.next]?.to ?? null),
			bar: chart.played[heard.bar]?.written ?? null
		};
	});
	let editor: ChartEditor;
	let grid: BarGrid;
	let ranking: HomeRanking | undefined;

	const chart = $derived(draft.chart);
	const key = $derived(keyOf(chart));
	const scale = $derived(scaleInUse(chart).scale);
	const functions = $derived(key ? functionsAlong(chart, key) : []);
	const problems = $derived(draft.diagnostics.filter((entry) => entry.severity !== 'info'));
	const sounding = $derived(chart.events.filter((event) => event.chord).length);
	const reading = $derived({
		diagnostics: draft.diagnostics,
		now: draft.now?.span ?? null,
		next: draft.next?.span ?? null
	});

	onMount(() => {
		void draft.recover().then(() => {
			if (!draft.recovered) return;
			const action = { label: 'Drop it', onClick: () => (draft.text = open.saved.chart) };
			offers.push(toast('Text that was not saved is back.', { action }));
		});
		draft.cursorTo(chart.events[0]?.span ?? { line: 1, column: 1 });
		// What these offer to take back lives in the editor, which goes with the screen.
		return () => offers.forEach((id) => toast.dismiss(id));
	});
	const offers: (string | number)[] = [];
	$effect(() => draft.keep());

	/** Writes the key into the text; null lets the ranking decide. */
	function setKey(chosen: Key | null): void {
		draft.text = setHeader(draft.text, 'key', chosen ? keyName(chosen) : 'auto');
	}
	function nameIt(title: string): void {
		draft.text = setHeader(draft.text, 'title', title);
		void tick().then(() => editor.toEnd());
	}
	/** Puts a form in place of the bars, with its mode for a key. */
	function startFrom(form: ChartForm, tonic: Note): void {
		const had = chart.bars.length;
		const written = setHeader(draft.text, 'key', keyName({ tonic, mode: form.mode }));
		draft.text = withBars(written, formBars(form, tonic));
		if (had === 0) return;
		const said = `${form.name} is in place of ${plural(had, 'bar')}.`;
		// An older offer would take back this form, not its own.
		offers.forEach((id) => toast.dismiss(id));
		offers.push(toast(said, { action: { label: 'Undo', onClick: () => editor.undo() } }));
	}
	const otherLine = () =>
		prefs.set('chartLine', prefs.current.chartLine === 'numerals' ? 'tones' : 'numerals');
	useKeys(CHART, {
		text: () => editor.focus(),
		problem: () => editor.toProblem(),
		line: otherLine,
		home: () => afterParts(() => ranking?.nextHome()),
		key: () => afterParts(() => ranking?.typeKey()),
		save: () => keeping.save(),
		undo: () => editor.undo(),
		redo: () => editor.redo()
	});
</script>

<svelte:head><title>{chart.headers.title ?? 'Untitled tune'} · Chart · Arc Step</title></svelte:head
>

<TuneBar {chart}>
	{#snippet actions()}
		<span class="text-reason text-second max-tablet:hidden" role="status"
			>{draft.saving ? 'Saving …' : draft.dirty ? 'Not saved yet' : 'Saved'}</span
		>
		<Button
			look={draft.dirty ? 'main' : 'plain'}
			disabled={!draft.dirty || draft.saving}
			onclick={() => void keeping.save()}
		>
			Save <KeyCap of={CHART.save} />
		</Button>
	{/snippet}
</TuneBar>

<Screen about="Home and what leaves it">
	{#snippet first()}<FirstVisit screen="chart" />{/snippet}
	<ChartVerdict {chart} {key} {problems} onjump={() => editor.toProblem()} />
	<div
		class="grid grid-cols-[minmax(0,328px)_minmax(0,1fr)] grid-rows-[auto_1fr] gap-x-6 gap-y-5 max-lap:grid-cols-[minmax(0,1fr)] max-lap:grid-rows-none"
	>
		<section data-part="text">
			<PanelHead title="Text" note="line {draft.line}, column {draft.column}" />
			{#if chart.headers.title === null}<NameTune onname={nameIt} />{/if}
			<ChartEditor
				bind:this={editor}
				bind:text={draft.text}
				{reading}
				fresh={chart.bars.length === 0 && !forms}
				oncursor={(line, column, moved) => {
					draft.cursorTo({ line, column });
					if (moved) draft.lookAt();
				}}
				onsave={() => void keeping.save()}
				onleave={() => grid.focus()}
			/>
		</section>
		<div
			class="grid min-w-0 grid-cols-[minmax(0,1fr)] content-start gap-4 lap:col-start-2 lap:row-span-2 lap:row-start-1"
		>
			<section>
				<PanelHead title="Bars">
					<button
						type="button"
						class="ml-auto text-reason hover:underline"
						aria-pressed={prefs.current.chartLine === 'tones'}
						onclick={otherLine}><KeyCap of={CHART.line} /> numerals or tones</button
					>
				</PanelHead>
				{#if chart.bars.length === 0}
					<p class="py-3 text-second">
						Write bars between | signs, as in <code>| Bb7 | Eb7 |</code>, or start from one of the {FORMS.length}
						forms.
					</p>
				{/if}
				<BarGrid
					bind:this={grid}
					{chart}
					{functions}
					now={shown.now}
					next={shown.next}
					sounding={shown.bar}
					onchoose={(span, focusText) => {
						draft.cursorTo(span);
						draft.lookAt();
						editor.goTo(span, focusText);
					}}
				/>
			</section>
			<Later>
				<AtCursor {draft} {key} onwrite={(span, symbol) => editor.write(span, symbol)} />
				{#if key}
					<section>
						<PanelHead title="Transpose" note="the whole chart" />
						<TransposeRow
							{chart}
							onmove={(interval) => (draft.text = transposeText(draft.text, interval))}
						/>
					</section>
				{/if}
			</Later>
		</div>
		<section><Later><FormList {chart} {key} first={forms} onform={startFrom} /></Later></section>
	</div>
	<FootKeys
		keys={[
			...[CHART.leave, CHART.problem, CHART.line, CHART.home, CHART.save],
			[EVERYWHERE.neck, 'find the place']
		]}
	/>
	{#snippet inspector()}
		<Later><HomeRanking bind:this={ranking} {chart} onkey={setKey} /></Later>
		<Later>
			{#if key && sounding > 0}<OutsideList {chart} {key} />{/if}
			{#if scale}<ScaleInUse {scale} />{/if}
		</Later>
	{/snippet}
</Screen>

{#if keeping.asking}
	{#await fetched(() => import('$lib/ui/ConflictDialog.svelte')) then Dialog}
		<Dialog.default
			bind:open={keeping.asking}
			what="tune"
			mine={draft.text}
			theirs={draft.conflict?.chart ?? ''}
			onkeep={() => void keeping.saveMine()}
			ontake={() => keeping.takeTheirs()}
		/>
	{/await}
{/if}
