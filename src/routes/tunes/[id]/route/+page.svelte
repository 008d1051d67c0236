<script lang="ts">
	import { fetched } from '$lib/state/fetched';
	import FirstVisit from '$lib/ui/FirstVisit.svelte';
	import { NOTES, ROUTE, WRITING } from '$lib/words/keys/route';
	import Screen from '$lib/ui/parts/Screen.svelte';
	import Button from '$lib/ui/parts/Button.svelte';
	import { QUARTER } from '$core/kernel';
	import { highestFret } from '$core/neck';
	import { PER_QUARTER } from '$core/route';
	import { LineSelection } from '$lib/state/line-selection.svelte';
	import { LineWriter } from '$lib/state/line-writer.svelte';
	import { useTune } from '$lib/state/open-tune.svelte';
	import { prefs } from '$lib/state/prefs.svelte';
	import { planUnasked } from '$lib/state/plan-unasked';
	import { RoutePlan } from '$lib/state/route-plan.svelte';
	import FootKeys from '$lib/ui/FootKeys.svelte';
	import KeyCap from '$lib/ui/parts/KeyCap.svelte';
	import Later from '$lib/ui/Later.svelte';
	import MoreSwitch from '$lib/ui/MoreSwitch.svelte';
	import Neck from '$lib/ui/Neck.svelte';
	import ArcStrip from '$lib/ui/route/ArcStrip.svelte';
	import Overview from '$lib/ui/route/Overview.svelte';
	import { RouteActions, type Side } from '$lib/ui/route/route-actions.svelte';
	import { useRouteKeys, type RouteParts } from '$lib/ui/route/route-keys';
	import { RouteKeeping } from '$lib/ui/route/route-keeping.svelte';
	import { beginEmpty, catchNotes, layIn } from '$lib/ui/route/route-notes';
	import RouteDialogs from '$lib/ui/route/RouteDialogs.svelte';
	import RouteInspector from '$lib/ui/route/RouteInspector.svelte';
	import RouteMenu from '$lib/ui/route/RouteMenu.svelte';
	import RouteVerdict from '$lib/ui/route/RouteVerdict.svelte';
	import { timeAxis } from '$lib/draw/strip-geometry';
	import TabRow from '$lib/ui/route/TabRow.svelte';
	import TuneBar from '$lib/ui/TuneBar.svelte';
	import { Planner } from '$lib/workers/planner';
	import { handOn, ownRule, ruleOf } from '$lib/state/played-route';
	import { useTransport } from '$lib/state/transport.svelte';
	import { beforeNavigate } from '$app/navigation';
	import { page } from '$app/state';
	import { onMount, untrack } from 'svelte';
	import type { PageData } from './$types';

	let { data }: { data: PageData } = $props();
	const open = useTune();
	let planner: Planner | null = null;
	const usePlanner = () => (planner ??= new Planner());
	const plan = untrack(() => new RoutePlan(open, usePlanner, data.route));
	const selection = untrack(() => new LineSelection(open, plan));
	const writer = untrack(() => new LineWriter(open, plan, selection));
	const actions = untrack(() => new RouteActions(open, plan, selection, writer));
	const parts: RouteParts = { open, plan, selection, writer, actions };
	const keeping = new RouteKeeping(open, plan);
	/** Where the chart lies best; a tune that has routes is planned where the hand is. */
	async function bestPlace(): Promise<number | null> {
		if (data.routes.length > 0) return null;
		const { NeckCoverage } = await fetched(() => import('$lib/state/neck-coverage.svelte'));
		const coverage = new NeckCoverage(open, () => plan.wishes.style);
		await coverage.start();
		coverage.close();
		return coverage.best?.position ?? null;
	}
	onMount(() => {
		usePlanner().warm();
		void plan.recover().then(async () => {
			await layIn(parts);
			await planUnasked(plan, open, bestPlace);
			await plan.learnArrivals();
		});
		return () => planner?.close();
	});
	// Elsewhere the chart is read as it is written.
	beforeNavigate(({ to }) => {
		if (to && to.url.pathname !== page.url.pathname) open.landAs(null);
	});
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
			if (planner) void planUnasked(plan, open, bestPlace).then(() => plan.learnArrivals());
		});
	});

	let width = $state(824);
	let table = $state(false);
	let side: Side = $state('change');
	let writingText = $state(false);
	let comparing = $state(false);
	const narrow = $derived(width < 560);
	const { grid } = $derived(plan.wishes.line);
	/** Bars in detail: fewer where many notes must have room. */
	const detail = $derived(narrow ? 2 : grid === 'sixteenth' && plan.line.length > 0 ? 2 : 4);
	const gridTicks = $derived(grid === 'targets' ? QUARTER : QUARTER / PER_QUARTER[grid]);
	/** Hand and scale stand over the strip where the player has something to say of them, or reads it. */
	const rows = $derived.by(() => {
		const { hand, scales } = plan.wishes.line;
		return plan.planned && (side === 'bar' || hand.length > 0 || scales.length > 0 || plan.ownHand);
	});
	const neckHeight = $derived(rows ? 202 : 226);
	const axis = $derived(
		timeAxis(open.chart, open.change?.bar ?? 1, width, narrow ? 20 : rows ? 44 : 22, detail)
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
		const { line, targets } = plan;
		const { style, position } = plan.wishes;
		// An own landing may lie anywhere: the hand is where it lies.
		const handAt = plan.roams
			? (change: number) => plan.handAt(change)
			: handOn(open, targets, position);
		const roams = targets.some(({ change }) => handAt(change) !== position);
		const own = open.chart.changes.every(({ index }) => plan.isFrozen(index));
		const rule = own ? ownRule(position, roams) : ruleOf(style, position, roams);
		transport.route =
			targets.length === 0 && line.length === 0 ? null : { notes: line, targets, handAt, rule };
	});

	const VIEWS = ['strip', 'tab', 'notation'] as const;
	const view = $derived(prefs.current.routeView);
	function nextView(): void {
		prefs.set('routeView', VIEWS[(VIEWS.indexOf(view) + 1) % VIEWS.length]);
	}
	useRouteKeys(parts, {
		plans: () => (side = side === 'plans' ? 'change' : 'plans'),
		making: () => (side = side === 'making' ? 'change' : 'making'),
		bar: () => (side = side === 'bar' ? 'change' : 'bar'),
		compare: () => (comparing = true),
		write: () => (writingText = true),
		nextView,
		catchNotes: () => void catchNotes(parts),
		save: () => void keeping.save()
	});
</script>

<svelte:head><title>{open.saved.title} · Route · Arc Step</title></svelte:head>

<TuneBar>
	{#snippet actions()}
		<RouteMenu routes={data.routes} current={plan.saved} onremove={() => keeping.remove()} />
		<Button
			look={!plan.planned || plan.outdated ? 'main' : 'plain'}
			onclick={() => plan.plan()}
			disabled={open.chart.changes.length === 0}
		>
			Plan <KeyCap of={ROUTE.plan} />
		</Button>
		<Button
			look={plan.dirty ? 'main' : 'plain'}
			disabled={!plan.dirty || plan.saving}
			onclick={() => keeping.save()}>Save</Button
		>
	{/snippet}
</TuneBar>

<Screen about="The selected change">
	{#snippet first()}<FirstVisit screen="route" />{/snippet}
	<RouteVerdict {plan} weak={actions.weak} onweak={(spot) => actions.showWeak(spot)} />
	{#if plan.planning && plan.progress > 0}
		<progress class="h-1.5 w-full accent-ink" max="1" value={plan.progress} aria-label="Planning"
		></progress>
	{/if}
	{#if open.chart.changes.length === 0}
		<p>
			There is no change to land on. <Button href="/tunes/{open.saved.id}/chart"
				>Write the chart</Button
			>
		</p>
	{:else}
		<div class="-mr-4 grid min-w-0 gap-1" aria-busy={plan.planning}>
			<div class="min-w-0 overflow-hidden" bind:clientWidth={width}>
				{#if writer.on}
					{#await fetched(() => import('$lib/ui/route/WritingBar.svelte')) then Bar}
						<Bar.default {writer} />
					{/await}
				{:else if plan.planned}<Overview {plan} {axis} {width} />{/if}
				{#if view === 'strip' || !plan.planned}
					<Later height={352}>
						{#if rows}
							{#await fetched(() => import('$lib/ui/route/BarRows.svelte')) then Rows}
								<Rows.default {plan} {axis} {width} onopen={() => (side = 'bar')} />
							{/await}
						{/if}
						<ArcStrip {plan} {selection} {writer} {axis} {width} grid={gridTicks} low={rows} />
						<TabRow {plan} {axis} {width} grid={gridTicks} />
					</Later>
				{:else}
					{#await fetched(() => import('$lib/ui/route/Score.svelte')) then Score}
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
			<Later height={neckHeight}>
				<Neck
					instrument={open.held}
					position={actions.hand}
					now={writer.on ? writer.chord : open.now}
					next={writer.on ? writer.nextChord : open.next}
					scale={writer.on ? writer.scale : null}
					every={writer.on}
					from={frets.from}
					to={frets.to}
					height={neckHeight}
					sounding={transport.sounding}
					before={writer.on ? null : landing(before)}
					target={writer.on ? null : landing(target)}
					picked={selection.leading}
					forbidden={plan.wishes.anchors.forbid}
					onposition={(position) => actions.moveTo(position)}
					onplace={(place, together) => actions.choosePlace(place, together)}
				/>
			</Later>
		</div>
		{#if table}
			{#await fetched(() => import('$lib/ui/route/RouteTable.svelte')) then Table}
				<Table.default {plan} />
			{/await}
		{/if}
	{/if}
	<div
		class="z-10 mt-auto flex flex-wrap items-center gap-x-4.5 gap-y-1 bg-paper pt-2 text-reason desk:sticky desk:bottom-0"
	>
		<MoreSwitch />
		{#if prefs.current.more}
			<Button look="quiet" aria-expanded={table} onclick={() => (table = !table)}
				>{table ? 'Hide table' : 'Table'}</Button
			>
		{/if}
		{#if plan.planned}
			<Button look="quiet" onclick={nextView}
				>{{ strip: 'Tab', tab: 'Notation', notation: 'Strip' }[view]}
				<KeyCap of={ROUTE.view} /></Button
			>
			{#if prefs.current.more}
				<Button look="quiet" onclick={() => (comparing = true)}
					>Compare <KeyCap of={ROUTE.compare} /></Button
				>
			{/if}
		{/if}
		<Button look="quiet" onclick={() => (writingText = true)}
			>Write <KeyCap of={WRITING.text} /></Button
		>
		<FootKeys
			flat
			keys={[...[ROUTE.change, ROUTE.place], ...(prefs.current.more ? [] : [NOTES.pick])]}
		/>
	</div>
	{#snippet inspector()}
		<RouteInspector {plan} {selection} {actions} bind:side />
	{/snippet}
</Screen>

<RouteDialogs
	{plan}
	{keeping}
	routes={data.routes}
	bind:writing={writingText}
	bind:comparing
	onwrite={() => writer.start()}
	onclear={() => void beginEmpty(parts)}
/>
