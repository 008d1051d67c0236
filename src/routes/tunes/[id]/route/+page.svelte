<script lang="ts">
	import { offeringBack } from '$lib/state/deletion';
	import { QUARTER } from '$core/kernel';
	import { goto, invalidateAll } from '$app/navigation';
	import { chartTicks } from '$core/chart';
	import { proseSigns } from '$core/chord';
	import { highestFret } from '$core/neck';
	import { PER_QUARTER } from '$core/route';
	import { Refusal, send } from '$lib/state/api';
	import { onKeys } from '$lib/state/keys';
	import { LineSelection } from '$lib/state/line-selection.svelte';
	import { LineWriter } from '$lib/state/line-writer.svelte';
	import { useTune } from '$lib/state/open-tune.svelte';
	import { waysOver } from '$lib/state/own-line';
	import { prefs } from '$lib/state/prefs.svelte';
	import { RoutePlan } from '$lib/state/route-plan.svelte';
	import { STYLE_NAMES } from '$lib/words/styles';
	import FootKeys from '$lib/ui/FootKeys.svelte';
	import KeyCap from '$lib/ui/KeyCap.svelte';
	import Later from '$lib/ui/Later.svelte';
	import Neck from '$lib/ui/Neck.svelte';
	import ArcStrip from '$lib/ui/route/ArcStrip.svelte';
	import Overview from '$lib/ui/route/Overview.svelte';
	import { RouteActions, type Side } from '$lib/ui/route/route-actions.svelte';
	import RouteInspector from '$lib/ui/route/RouteInspector.svelte';
	import RouteMenu from '$lib/ui/route/RouteMenu.svelte';
	import RouteVerdict from '$lib/ui/route/RouteVerdict.svelte';
	import { timeAxis } from '$lib/draw/strip-geometry';
	import TabRow from '$lib/ui/route/TabRow.svelte';
	import TuneBar from '$lib/ui/TuneBar.svelte';
	import { Planner } from '$lib/workers/planner';
	import { ruleOf } from '$lib/state/played-route';
	import { useTransport } from '$lib/state/transport.svelte';
	import { onMount, untrack } from 'svelte';
	import { toast } from 'svelte-sonner';
	import type { PageData } from './$types';

	let { data }: { data: PageData } = $props();
	const open = useTune();
	let planner: Planner | null = null;
	const usePlanner = () => (planner ??= new Planner());
	const plan = untrack(() => new RoutePlan(open, usePlanner, data.route));
	const selection = untrack(() => new LineSelection(open, plan));
	const writer = untrack(() => new LineWriter(open, plan, selection));
	const actions = untrack(() => new RouteActions(open, plan, selection, writer));
	onMount(() => {
		usePlanner().warm();
		void plan.recover().then(async () => {
			await layIn();
			await plan.learnArrivals();
		});
		return () => planner?.close();
	});
	/** A phrase that comes from its own screen stands in the line as own notes. */
	async function layIn(): Promise<void> {
		const { incoming } = open;
		open.incoming = null;
		if (!incoming) return;
		if (!plan.planned) await plan.plan();
		const total = chartTicks(open.chart);
		const notes = incoming.notes.filter((note) => note.tick < total);
		const { over, air, slide, block } = incoming;
		const { line } = plan.wishes;
		if (slide > 0 && (slide !== line.slide || block !== line.block)) {
			plan.setHolding({ slide, block });
			await plan.plan();
		}
		await plan.write(waysOver(open.chart, plan.line, over, notes, air));
		toast(`“${incoming.name}” stands in the line.`, {
			action: { label: 'Undo', onClick: () => plan.undo() }
		});
	}
	/** The picked notes, or all of this way, become a motif. */
	async function catchNotes(): Promise<void> {
		if (plan.line.length === 0) return;
		if (selection.size === 0) selection.pickWay();
		const { catchMotif } = await import('$core/phrase');
		const motif = catchMotif(selection.notes, open.chart, plan.scales, 'role');
		if (!motif) return;
		const symbol = open.chart.events[selection.notes[0].chord]?.symbol ?? '';
		open.caught = { name: `From ${proseSigns(symbol)}`, motif };
		await goto(`/tunes/${open.saved.id}/phrase?position=${open.position}`);
	}
	let settled = $state(false);
	onMount(() => (settled = true));
	$effect(() => {
		if (settled && !plan.planning) plan.keep();
	});
	// Another route was opened, or this one was loaded anew after a save.
	$effect.pre(() => {
		const { route } = data;
		untrack(() => {
			if (
				route?.id !== plan.saved?.id ||
				(route && plan.saved && route.version > plan.saved.version)
			)
				plan.load(route);
			if (planner) void plan.learnArrivals();
		});
	});

	let width = $state(824);
	let table = $state(false);
	let asking = $state(false);
	let side: Side = $state('change');
	let writingText = $state(false);
	let comparing = $state(false);
	const narrow = $derived(width < 560);
	const { grid } = $derived(plan.wishes.line);
	/** Bars in detail: fewer where many notes must have room. */
	const detail = $derived(narrow ? 2 : grid === 'sixteenth' && plan.line.length > 0 ? 2 : 4);
	const gridTicks = $derived(grid === 'targets' ? QUARTER : QUARTER / PER_QUARTER[grid]);
	const axis = $derived(
		timeAxis(open.chart, open.change?.bar ?? 1, width, narrow ? 20 : 22, detail)
	);
	const target = $derived(plan.target(open.cursor));
	const before = $derived(open.before && plan.target(open.before.index));
	const frets = $derived.by(() => {
		const high = highestFret(open.instrument);
		const [back, on] = narrow ? [1, 4] : [3, 6];
		return { from: Math.max(0, actions.hand - back), to: Math.min(high, actions.hand + on) };
	});
	const landing = (at: typeof target) => {
		const change = at && open.chart.changes[at.change];
		return at && change
			? { string: at.string, fret: at.fret, bar: change.bar, locked: plan.isLocked(at.change) }
			: null;
	};
	$effect(() => {
		// While it plays the landing changes by itself: nobody looks at the ranking.
		if (!transport.playing) void actions.rank();
	});
	// What is planned here is what the band plays along with, and what the stand shows.
	const transport = useTransport();
	$effect(() => {
		const { line, targets, roams } = plan;
		const { style, position } = plan.wishes;
		const handAt = (change: number) => plan.handAt(change);
		transport.route =
			targets.length === 0 && line.length === 0
				? null
				: { notes: line, targets, handAt, rule: ruleOf(style, position, roams) };
	});

	const VIEWS = ['strip', 'tab', 'notation'] as const;
	const view = $derived(prefs.current.routeView);
	function nextView(): void {
		prefs.set('routeView', VIEWS[(VIEWS.indexOf(view) + 1) % VIEWS.length]);
	}
	/** Everything is taken off the strip, to be written by hand from the start. */
	async function beginEmpty(): Promise<void> {
		const to = chartTicks(open.chart);
		await plan.write(waysOver(open.chart, [], { from: 0, to }, []));
		selection.clear();
		open.cursor = 0;
		writer.start();
	}
	async function save(how = () => plan.save()): Promise<void> {
		if (!plan.planned || plan.saving) return;
		const fresh = plan.saved === null;
		try {
			const done = await how();
			asking = !done;
			if (!done || !plan.saved) return;
			toast('Route saved.', { duration: 2500 });
			if (fresh)
				await goto(`?route=${plan.saved.id}&position=${open.position}`, {
					replaceState: true,
					noScroll: true,
					keepFocus: true
				});
			// Someone may have edited the chart meanwhile: the server has planned on that one.
			const moved = plan.saved.tuneVersion !== open.saved.version;
			await invalidateAll();
			if (moved) plan.load(plan.saved);
		} catch (error) {
			toast(
				error instanceof Refusal
					? error.message
					: 'Saving failed. The route is still here; try again.'
			);
		}
	}
	async function remove(): Promise<void> {
		if (!plan.saved) return;
		const { id, name } = plan.saved;
		await offeringBack(
			`The route “${name}” is deleted.`,
			() =>
				send('DELETE', `/api/v1/routes/${id}`).then(() =>
					goto('?route=new', { invalidateAll: true })
				),
			() =>
				send('POST', `/api/v1/routes/${id}/undelete`).then(() =>
					goto(`?route=${id}`, { invalidateAll: true })
				)
		);
	}
	const keys = onKeys({
		r: () => void plan.plan(),
		l: () => plan.toggleLock(open.cursor),
		x: () => plan.toggleLetPass(open.cursor),
		a: () => void actions.nextBest(),
		b: () => (side = side === 'plans' ? 'change' : 'plans'),
		c: () => (comparing = true),
		d: () => actions.forbid(),
		g: () => (writer.on ? writer.stop() : writer.start()),
		h: () => writer.hold(),
		o: () => (writingText = true),
		v: nextView,
		'[': () => actions.moveTo(actions.hand - 1),
		']': () => actions.moveTo(actions.hand + 1),
		',': () => actions.along(-1),
		'.': () => actions.along(1),
		'Shift+.': () => void actions.nextKey(),
		w: () => (side = side === 'making' ? 'change' : 'making'),
		t: () => plan.anotherTake(),
		k: () => plan.line.length > 0 && plan.toggleFrozen(open.cursor),
		j: () => actions.nextWeak(),
		m: () => actions.mend(),
		e: () => actions.pick(),
		s: () => void catchNotes(),
		i: () => selection.insert(),
		Delete: () => selection.remove(),
		Backspace: () => (writer.on ? writer.back() : selection.remove()),
		Escape: () => (writer.on ? writer.stop() : selection.clear()),
		ArrowUp: () => actions.lift(1, 'step'),
		ArrowDown: () => actions.lift(-1, 'step'),
		'Shift+ArrowUp': () => actions.lift(1, 'semitone'),
		'Shift+ArrowDown': () => actions.lift(-1, 'semitone'),
		'Shift+ArrowLeft': () => selection.moveTime(-1),
		'Shift+ArrowRight': () => selection.moveTime(1),
		'Mod+a': () => selection.pickWay(),
		'Mod+ArrowLeft': () => selection.extend(-1),
		'Mod+ArrowRight': () => selection.extend(1),
		'Mod+c': () => actions.copy(),
		'Mod+Shift+c': () => actions.copy('bar'),
		'Mod+v': () => selection.paste(),
		ArrowLeft: () => actions.across(-1),
		ArrowRight: () => actions.across(1),
		PageUp: () => open.step(-1),
		PageDown: () => open.step(1),
		'Mod+z': () => plan.undo(),
		'Mod+Shift+z': () => plan.redo(),
		'Mod+s': () => void save()
	});
</script>

<svelte:window onkeydown={keys} />
<svelte:head><title>{open.saved.title} · Route · Arc Step</title></svelte:head>

<TuneBar>
	{#snippet actions()}
		<RouteMenu routes={data.routes} current={plan.saved} onremove={remove} />
		<button
			class="act"
			class:act-main={!plan.planned || plan.outdated}
			type="button"
			onclick={() => plan.plan()}
			disabled={open.chart.changes.length === 0}
		>
			Plan <KeyCap keys="R" />
		</button>
		<button
			class="act"
			class:act-main={plan.dirty}
			type="button"
			disabled={!plan.dirty || plan.saving}
			onclick={() => save()}>Save</button
		>
	{/snippet}
</TuneBar>

<div class="with-inspector">
	<main id="main" class="screen">
		<RouteVerdict {plan} weak={actions.weak} onweak={(spot) => actions.showWeak(spot)} />
		{#if plan.planning && plan.progress > 0}
			<progress max="1" value={plan.progress} aria-label="Planning"></progress>
		{/if}
		{#if open.chart.changes.length === 0}
			<p>
				There is no change to land on. <a class="act" href="/tunes/{open.saved.id}/chart"
					>Write the chart</a
				>
			</p>
		{:else}
			<div class="strips bleed" aria-busy={plan.planning}>
				<div bind:clientWidth={width}>
					{#if writer.on}
						{#await import('$lib/ui/route/WritingBar.svelte') then Bar}
							<Bar.default {writer} />
						{/await}
					{:else if plan.planned}<Overview {plan} {axis} {width} />{/if}
					{#if view === 'strip' || !plan.planned}
						<Later height={352}>
							<ArcStrip {plan} {selection} {writer} {axis} {width} grid={gridTicks} />
							<TabRow {plan} {axis} {width} grid={gridTicks} />
						</Later>
					{:else}
						{#await import('$lib/ui/route/Score.svelte') then Score}
							<Score.default
								{plan}
								{selection}
								staves={view === 'tab' ? 'tab' : 'both'}
								grid={gridTicks}
								{width}
								height={352}
							/>
						{/await}
					{/if}
				</div>
				<Later height={226}>
					<Neck
						instrument={open.held}
						position={actions.hand}
						now={writer.on ? writer.chord : open.now}
						next={writer.on ? writer.nextChord : open.next}
						scale={writer.on ? writer.scale : null}
						every={writer.on}
						from={frets.from}
						to={frets.to}
						height={226}
						sounding={transport.sounding}
						before={writer.on ? null : landing(before)}
						target={writer.on ? null : landing(target)}
						picked={selection.leading}
						forbidden={plan.wishes.anchors.forbid}
						onposition={(position) => actions.moveTo(position)}
						onplace={(place) => actions.choosePlace(place)}
					/>
				</Later>
			</div>
			{#if table}
				{#await import('$lib/ui/route/RouteTable.svelte') then Table}
					<Table.default {plan} />
				{/await}
			{/if}
		{/if}
		<div class="foot">
			<button class="quiet" type="button" aria-expanded={table} onclick={() => (table = !table)}
				>{table ? 'Hide table' : 'Table'}</button
			>
			{#if plan.planned}
				<button class="quiet" type="button" onclick={nextView}
					>{{ strip: 'Tab', tab: 'Notation', notation: 'Strip' }[view]}
					<KeyCap keys="V" /></button
				>
				<button class="quiet" type="button" onclick={() => (comparing = true)}
					>Compare <KeyCap keys="C" /></button
				>
			{/if}
			<button class="quiet" type="button" onclick={() => (writingText = true)}
				>Write <KeyCap keys="O" /></button
			>
			<FootKeys
				keys={[
					[', .', 'change'],
					['[ ]', 'place'],
					['E', 'pick a note'],
					['G', 'note by note']
				]}
			/>
		</div>
	</main>
	<RouteInspector {plan} {selection} {actions} bind:side />
</div>

{#if writingText}
	{#await import('$lib/ui/route/WriteDialog.svelte') then Dialog}
		<Dialog.default
			bind:shown={writingText}
			{plan}
			onwrite={() => writer.start()}
			onclear={() => void beginEmpty()}
		/>
	{/await}
{/if}
{#if comparing}
	{#await import('$lib/ui/route/CompareDialog.svelte') then Dialog}
		<Dialog.default bind:shown={comparing} {plan} routes={data.routes} />
	{/await}
{/if}

{#if asking}
	{#await import('$lib/ui/ConflictDialog.svelte') then Dialog}
		<Dialog.default
			bind:open={asking}
			what="route"
			mine={`${plan.name}\n${plan.wishes.anchors.locks.length} locked, ${plan.wishes.anchors.letPass.length} let pass`}
			theirs={plan.conflict
				? `${plan.conflict.name}\n${STYLE_NAMES[plan.conflict.style].name}\n${plan.conflict.anchors.locks.length} locked, ${plan.conflict.anchors.letPass.length} let pass`
				: ''}
			onkeep={() => void save(() => plan.keepMine())}
			ontake={() => {
				plan.load(plan.conflict);
				asking = false;
			}}
		/>
	{/await}
{/if}

<style>
	.strips {
		display: grid;
		gap: 4px;
		min-width: 0;
	}
	progress {
		width: 100%;
		height: 6px;
		accent-color: var(--ink);
	}
	.strips > :global(*) {
		min-width: 0;
		overflow: hidden;
	}
	.foot {
		margin-top: auto;
		display: flex;
		flex-wrap: wrap;
		align-items: center;
		gap: 4px 18px;
		padding-top: 8px;
		font-size: 13px;
	}
	.foot :global(p) {
		padding: 0;
		margin: 0;
	}
</style>
