<script lang="ts">
	import { goto, invalidateAll } from '$app/navigation';
	import { QUARTER } from '$core/chart';
	import { highestFret } from '$core/neck';
	import { pitchClass, shortestMove } from '$core/pitch';
	import { PER_QUARTER, type Landing } from '$core/route';
	import { Refusal, send } from '$lib/state/api';
	import { onKeys } from '$lib/state/keys';
	import { placeFor } from '$lib/state/line-edit';
	import { toNextKey } from '$lib/state/tune-headers';
	import { changeBefore } from '$lib/state/ways';
	import { useTune } from '$lib/state/open-tune.svelte';
	import { LineSelection } from '$lib/state/line-selection.svelte';
	import { RoutePlan } from '$lib/state/route-plan.svelte';
	import { STYLE_NAMES } from '$lib/state/style-names';
	import FootKeys from '$lib/ui/FootKeys.svelte';
	import KeyCap from '$lib/ui/KeyCap.svelte';
	import Neck from '$lib/ui/Neck.svelte';
	import ArcStrip from '$lib/ui/route/ArcStrip.svelte';
	import Overview from '$lib/ui/route/Overview.svelte';
	import RouteInspector from '$lib/ui/route/RouteInspector.svelte';
	import RouteMenu from '$lib/ui/route/RouteMenu.svelte';
	import RouteTable from '$lib/ui/route/RouteTable.svelte';
	import RouteVerdict from '$lib/ui/route/RouteVerdict.svelte';
	import { timeAxis } from '$lib/ui/route/strip-geometry';
	import TabRow from '$lib/ui/route/TabRow.svelte';
	import { weakSpots, type WeakSpot } from '$lib/ui/route/weak-spots';
	import TuneBar from '$lib/ui/TuneBar.svelte';
	import { plural } from '$lib/ui/words';
	import { Planner } from '$lib/workers/planner';
	import { onMount, untrack } from 'svelte';
	import { toast } from 'svelte-sonner';
	import type { PageData } from './$types';

	let { data }: { data: PageData } = $props();
	const open = useTune();
	let planner: Planner | null = null;
	const usePlanner = () => (planner ??= new Planner());
	const plan = untrack(() => new RoutePlan(open, usePlanner, data.route));
	const selection = untrack(() => new LineSelection(open, plan));
	onMount(() => {
		usePlanner().warm();
		void plan.recover().then(() => plan.learnArrivals());
		return () => planner?.close();
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
			if (planner) void plan.learnArrivals();
		});
	});

	let width = $state(824);
	let table = $state(false);
	let asking = $state(false);
	const narrow = $derived(width < 560);
	const { grid } = $derived(plan.wishes.line);
	/** Bars in detail: fewer where many notes must have room. */
	const detail = $derived(narrow ? 2 : grid === 'sixteenth' && plan.line.length > 0 ? 2 : 4);
	const gridTicks = $derived(grid === 'targets' ? QUARTER : QUARTER / PER_QUARTER[grid]);
	const axis = $derived(
		timeAxis(open.chart, open.change?.bar ?? 1, width, narrow ? 20 : 22, detail)
	);
	let making = $state(false);
	const weak = $derived(weakSpots(open.chart, plan.check, (change) => plan.isLetPass(change)));
	function showWeak(spot: WeakSpot): void {
		open.cursor = spot.change;
		if (plan.line.some((note) => note.tick === spot.tick)) selection.pick(spot.tick);
		toast(spot.text, spot.fix ? { action: { label: 'Mend (M)', onClick: () => mend(spot) } } : {});
	}
	/** Jumps to the next weak spot after the cursor. */
	function nextWeak(): void {
		const from = selection.leading?.tick ?? open.change?.tick ?? 0;
		const spot = weak.find((entry) => entry.tick > from) ?? weak[0];
		if (spot) showWeak(spot);
	}
	/** Applies the smallest fix of a change: the landing goes where the judge says. */
	function mend(spot = weak.find((entry) => entry.change === open.cursor && entry.fix)): void {
		const { fix } = spot ?? {};
		if (!spot || !fix) return;
		const { instrument, position } = open;
		const place =
			fix.place ?? placeFor({ instrument, position }, fix.toMidi, { string: 3, fret: position });
		if (place) plan.lockAt(spot.change, place);
	}
	/** Arrows move what is picked; without a pick, up and down take hold of the landing. */
	function lift(direction: 1 | -1, by: 'step' | 'semitone'): void {
		if (plan.line.length === 0) return;
		if (selection.size === 0 && target) selection.pick(target.tick);
		selection.movePitch(direction, by);
	}
	function across(by: 1 | -1): void {
		if (selection.size === 0) return open.step(by);
		const note = selection.step(by);
		if (!note) return;
		const change = changeBefore(open.chart, note.tick);
		if (change >= 0 && change !== open.cursor) open.cursor = change;
	}
	const target = $derived(plan.target(open.cursor));
	const before = $derived(open.before && plan.target(open.before.index));
	/** Where the hand is at the cursor: a hand that may move is not always in the route's own place. */
	const hand = $derived(
		plan.windows.length > 1
			? (plan.windows.findLast((window) => window.change <= open.cursor)?.position ?? open.position)
			: open.position
	);
	const frets = $derived.by(() => {
		const high = highestFret(open.instrument);
		const [back, on] = narrow ? [1, 4] : [3, 6];
		return { from: Math.max(0, hand - back), to: Math.min(high, hand + on) };
	});
	const landing = (at: typeof target) => {
		const change = at && open.chart.changes[at.change];
		return at && change
			? { string: at.string, fret: at.fret, bar: change.bar, locked: plan.isLocked(at.change) }
			: null;
	};

	// The candidates of the selected change, ranked in the worker; an answer that comes late is dropped.
	let landings: readonly Landing[] = $state.raw([]);
	/** The change that the list is for; until its own list comes a change still shows the last one. */
	let rankedFor = $state(-1);
	$effect(() => {
		const change = open.cursor;
		const wanted = [plan.wishes, open.saved] as const;
		if (!plan.planned) return;
		void plan.landings(change).then((found) => {
			const still = change === open.cursor && wanted[0] === plan.wishes && wanted[1] === open.saved;
			if (found && still) [landings, rankedFor] = [found, change];
		});
	});

	function moveTo(position: number): void {
		open.moveTo(position);
		const given = plan.setPosition(open.position);
		if (given > 0) {
			toast(
				`${plural(given, 'lock')} lay outside position ${open.position} and ${given === 1 ? 'is' : 'are'} open again.`,
				{
					action: { label: 'Undo', onClick: () => plan.undo() }
				}
			);
		}
	}
	/** The best landing after the one that is chosen, any other pitch first. */
	async function nextBest(): Promise<void> {
		const change = open.cursor;
		const list = rankedFor === change ? landings : await plan.landings(change);
		if (!list || change !== open.cursor) return;
		const chosen = plan.target(change);
		const at = list.findIndex(
			(entry) => entry.string === chosen?.string && entry.fret === chosen.fret
		);
		const found = list[(at + 1) % Math.max(1, list.length)];
		if (found) plan.lockAt(change, found);
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
		const { name, position, style, line, anchors } = plan.saved;
		await send('DELETE', `/api/v1/routes/${plan.saved.id}`);
		await goto('?route=new', { invalidateAll: true });
		toast(`The route “${name}” is deleted.`, {
			action: {
				label: 'Bring it back',
				onClick: () =>
					void send<{ id: string }>('POST', `/api/v1/tunes/${open.saved.id}/routes`, {
						name,
						position,
						style,
						line,
						anchors
					}).then((route) => goto(`?route=${route.id}`, { invalidateAll: true }))
			}
		});
	}
	function copy(): void {
		const count = selection.copy();
		toast(`${plural(count, 'note')} copied from this way. Ctrl V puts them on another.`, {
			duration: 2500
		});
	}
	/** The same route in the next key of the circle: the tune moves, and the hand with it. */
	async function nextKey(): Promise<void> {
		const before = open.key;
		await toNextKey(open);
		const after = open.key;
		if (!before || !after || before === after) return;
		selection.clear();
		plan.transpose(shortestMove(pitchClass(before.tonic), pitchClass(after.tonic)));
	}
	const keys = onKeys({
		r: () => void plan.plan(),
		l: () => plan.toggleLock(open.cursor),
		x: () => plan.toggleLetPass(open.cursor),
		a: () => void nextBest(),
		'[': () => moveTo(open.position - 1),
		']': () => moveTo(open.position + 1),
		',': () => open.step(-1),
		'.': () => open.step(1),
		'Shift+.': () => void nextKey(),
		w: () => (making = !making),
		t: () => plan.anotherTake(),
		k: () => plan.line.length > 0 && plan.toggleFrozen(open.cursor),
		j: nextWeak,
		m: () => mend(),
		e: () => {
			if (selection.size > 0) selection.clear();
			else selection.step(1);
		},
		i: () => selection.insert(),
		Delete: () => selection.remove(),
		Backspace: () => selection.remove(),
		Escape: () => selection.clear(),
		ArrowUp: () => lift(1, 'step'),
		ArrowDown: () => lift(-1, 'step'),
		'Shift+ArrowUp': () => lift(1, 'semitone'),
		'Shift+ArrowDown': () => lift(-1, 'semitone'),
		'Shift+ArrowLeft': () => selection.moveTime(-1),
		'Shift+ArrowRight': () => selection.moveTime(1),
		'Mod+a': () => selection.pickWay(),
		'Mod+c': copy,
		'Mod+v': () => selection.paste(),
		ArrowLeft: () => across(-1),
		ArrowRight: () => across(1),
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
		<RouteVerdict {plan} {weak} onweak={showWeak} />
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
					{#if plan.planned}<Overview {plan} {axis} {width} />{/if}
					<ArcStrip {plan} {selection} {axis} {width} grid={gridTicks} />
					<TabRow {plan} {axis} {width} />
				</div>
				<Neck
					instrument={open.instrument}
					position={hand}
					now={open.now}
					next={open.next}
					from={frets.from}
					to={frets.to}
					height={226}
					before={landing(before)}
					target={landing(target)}
					onposition={moveTo}
					onplace={(place) => {
						const picked = selection.leading;
						if (picked && picked.kind !== 'target') selection.drop(picked.tick, place, 0);
						else if (plan.planned) plan.lockAt(open.cursor, place);
					}}
				/>
			</div>
			{#if table}<RouteTable {plan} />{/if}
		{/if}
		<div class="foot">
			<button class="quiet" type="button" aria-expanded={table} onclick={() => (table = !table)}
				>{table ? 'Hide the table' : 'As a table'}</button
			>
			<FootKeys
				keys={[
					[', .', 'change'],
					['[ ]', 'place'],
					['E', 'pick a note'],
					['↑ ↓', 'move it'],
					['N', 'names'],
					['Ctrl Z', 'undo']
				]}
			/>
		</div>
	</main>
	<RouteInspector {plan} {landings} bind:making onnextbest={() => void nextBest()} />
</div>

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
		align-items: baseline;
		gap: 4px 24px;
		font-size: 13px;
	}
</style>
