<script lang="ts">
	import { fetched } from '$lib/state/fetched';
	import { EVERYWHERE } from '$lib/words/keys/everywhere';
	import { NOTEBOOK } from '$lib/words/keys/notebook';
	import Screen from '$lib/ui/parts/Screen.svelte';
	import ScreenHead from '$lib/ui/parts/ScreenHead.svelte';
	import Button from '$lib/ui/parts/Button.svelte';
	import { offerBack, offeringBack } from '$lib/state/deletion';
	import { goto, invalidateAll } from '$app/navigation';
	import { page } from '$app/state';
	import type { TuneAnswer } from '$lib/api/notebook-schema';
	import { Refusal, send } from '$lib/state/api';
	import type { NotebookRow } from '$lib/api/home-page';
	import { demoPaths, keepDemo, removeDemo } from '$lib/state/demo-notebook';
	import { dropLetters, keepLetters } from '$lib/state/first-letters';
	import { useKeys } from '$lib/state/keys';
	import { SetBoard, type Group } from '$lib/state/set-board.svelte';
	import { WholeBoard } from '$lib/state/whole-board.svelte';
	import ChooseFiles from '$lib/ui/files/ChooseFiles.svelte';
	import Later from '$lib/ui/Later.svelte';
	import FootKeys from '$lib/ui/FootKeys.svelte';
	import KeyCap from '$lib/ui/parts/KeyCap.svelte';
	import MoreSwitch from '$lib/ui/MoreSwitch.svelte';
	import TopBar from '$lib/ui/TopBar.svelte';
	import TodayStrip from '$lib/ui/home/TodayStrip.svelte';
	import { drillHref } from '$lib/ui/home/today-words';
	import CareNote from '$lib/ui/home/CareNote.svelte';
	import FirstOffers from '$lib/ui/home/FirstOffers.svelte';
	import FindField from '$lib/ui/home/FindField.svelte';
	import TuneGroup from '$lib/ui/home/TuneGroup.svelte';
	import Verdict from '$lib/ui/home/Verdict.svelte';
	import { dayWords } from '$lib/words/when';
	import { plural } from '$lib/words/words';
	import { ColumnWidths } from '$lib/state/column-widths.svelte';
	import { orderAfter, orderHref, orderOf } from '$lib/ui/home/tune-columns';
	import { onMount, tick, untrack } from 'svelte';
	import { toast } from 'svelte-sonner';
	import type { ActionData, PageData } from './$types';

	let { data, form }: { data: PageData; form: ActionData } = $props();
	/** What came with the demo, where it was laid in from this browser and still stands here. */
	let demo: readonly string[] = $state.raw([]);
	$effect(() => {
		if (form?.demo) keepDemo(form.demo);
		demo = data.counts.tunes > 0 ? demoPaths() : [];
	});
	/** Rows that are drawn while the first ones are there, and once all are; so many more at a time. */
	const [FIRST_ROWS, ROWS] = [60, 200];

	const board = new SetBoard<NotebookRow>(
		(told, undo) =>
			offerBack(told, () => undo().finally(() => invalidateAll()), {
				id: 'moved',
				label: 'Put it back'
			}),
		(reason) => {
			toast(reason);
			void invalidateAll();
		}
	);
	// A large notebook begins with its first rows; the rest follows when the page stands.
	const whole = new WholeBoard();
	const book = $derived(whole.of(data));
	/** A set is saved whole: what is moved must know all of it. */
	const order = $derived(orderOf(page.url.searchParams));
	const movable = $derived(data.found === null && order === null && whole.isWhole(data));
	const widths = new ColumnWidths('tunes');
	onMount(() => widths.load());
	$effect(() => {
		whole.load(data).catch((error: Error) => toast(error.message));
	});
	// The board is drawn on the server too, and follows the notebook; while it is dragged the player holds it.
	untrack(() => board.show(book.tunes, book.sets));
	$effect.pre(() => {
		const { tunes, sets } = book;
		untrack(() => board.show(tunes, sets));
	});
	/** Rows of each group that are drawn: so many in all at first, more where they are asked for. */
	let opened: Readonly<Record<string, number>> = $state({});
	const allowances = $derived.by(() => {
		let left = whole.isWhole(data) ? ROWS : FIRST_ROWS;
		return board.groups.map(({ set, tunes }) => {
			const allowed = Math.max(opened[set?.id ?? ''] ?? 0, left);
			left = Math.max(0, left - tunes.length);
			return allowed;
		});
	});
	/** The group whose heads make columns wider: the first that has tunes. */
	const firstShown = $derived(board.groups.findIndex(({ tunes }) => tunes.length > 0));
	let naming = $state(false);
	let named: Group<NotebookRow> | null = $state.raw(null);
	function nameSet(group: Group<NotebookRow> | null): void {
		named = group;
		naming = true;
	}
	const percent = (share: number | null) => `${Math.round(100 * (share ?? 0))}`;
	const facts = $derived.by(() => {
		const { takes, first, last } = data.weeks;
		const day = { name: 'Today', value: dayWords(data.now) };
		if (takes === 0) return [day];
		const grown =
			first === null || last === null ? '' : `, ${percent(first)} to ${percent(last)} % landed`;
		return [day, { name: 'Last six weeks', value: `${plural(takes, 'take')}${grown}`, long: true }];
	});
	const waiting = $derived(book.tunes.find((tune) => tune.routes.length === 0));

	const places = $derived.by(() => {
		if (!data.found) return [];
		const titles = new Map(book.tunes.map(({ id, title }) => [id, title]));
		return [...data.found].map(([id, where]) => ({ id, title: titles.get(id) ?? '', where }));
	});

	let chooser: ChooseFiles | undefined = $state();
	let finder: FindField | undefined = $state();
	let list: HTMLElement | undefined = $state();
	function walk(by: number): void {
		const links = [...(list?.querySelectorAll<HTMLAnchorElement>('a[data-part="open"]') ?? [])];
		const at = links.indexOf(document.activeElement as HTMLAnchorElement);
		links[
			at < 0 ? (by > 0 ? 0 : links.length - 1) : (at + by + links.length) % links.length
		]?.focus();
	}
	/** A tune of empty bars: what is typed from here on are its chords. */
	async function create(how = ''): Promise<void> {
		if (how === '') keepLetters();
		try {
			const tune = await send<TuneAnswer>('POST', '/api/v1/tunes', { chart: 'tempo: 100\n\n' });
			await goto(`/tunes/${tune.id}/chart${how}`);
		} catch (error) {
			dropLetters();
			if (error instanceof Refusal) toast(error.message);
		}
	}
	/** Takes something away and offers it back. */
	const takeAway = (
		path: string,
		told: string,
		back: () => Promise<unknown> = () => send('POST', `${path}/undelete`)
	) =>
		offeringBack(
			told,
			() => send('DELETE', path).then(() => invalidateAll()),
			() => back().then(() => invalidateAll())
		);
	const remove = ({ id, title }: PageData['tunes'][number]) =>
		takeAway(`/api/v1/tunes/${id}`, `${title} is deleted.`);
	const removeSet = ({ id, name }: { id: string; name: string }) =>
		takeAway(`/api/v1/sets/${id}`, `${name} is deleted; its tunes stay.`);
	/** Moves the tune whose row has the focus, and stays with it. */
	async function carry(by: 1 | -1): Promise<void> {
		const row = document.activeElement?.closest<HTMLElement>('tr[data-tune]');
		const zone = row?.closest<HTMLElement>('[data-set]');
		if (!row?.dataset.tune || !zone || !movable) return;
		const id = row.dataset.tune;
		const grip = document.activeElement?.matches('[data-part="grip"]');
		if (!board.step(id, zone.dataset.set || null, by)) return;
		const tune = book.tunes.find((one) => one.id === id);
		const saved = board.save(`${tune?.title} is moved.`);
		await tick();
		// Where it is now: in the same set, or over its end in the next; it may stand in others too.
		const zones = [...(list?.querySelectorAll<HTMLElement>('[data-set]') ?? [])];
		const near = [zone, zones.at((zones.indexOf(zone) + by) % zones.length)];
		const now = near.map((one) => one?.querySelector(`tr[data-tune="${id}"]`)).find(Boolean);
		now?.querySelector<HTMLElement>(grip ? '[data-part="grip"]' : 'a[data-part="open"]')?.focus();
		await saved;
	}
	const rest = ({ id, tuneId, title, drill }: PageData['today'][number]['card']) =>
		takeAway(`/api/v1/cards/${id}`, `${title}, position ${drill.position}, rests.`, () =>
			send('POST', '/api/v1/cards', { tuneId, drill })
		);
	/** Drills the tune whose row has the focus, else the first. */
	function drillIt(): void {
		const link = document.activeElement
			?.closest('tr')
			?.querySelector<HTMLAnchorElement>('a[data-part="open"]');
		const tune = book.tunes.find(({ id }) => link?.href.includes(id)) ?? book.tunes[0];
		if (tune) void goto(`/tunes/${tune.id}/drill`);
	}
	useKeys(NOTEBOOK, {
		choose: walk,
		start: () => data.today.length > 0 && goto(drillHref(data.today[0])),
		drill: drillIt,
		carry,
		find: () => finder?.focus(),
		tune: () => create(),
		set: () => nameSet(null),
		bring: () => chooser?.choose()
	});
</script>

<svelte:head><title>Notebook · Arc Step</title></svelte:head>

<TopBar title="Notebook" {facts}>
	{#snippet actions()}
		<ChooseFiles bind:this={chooser}>Bring in files <KeyCap of={NOTEBOOK.bring} /></ChooseFiles>
		<Button look="quiet" onclick={() => void create()}
			>New tune <KeyCap of={NOTEBOOK.tune} /></Button
		>
	{/snippet}
</TopBar>
<Screen>
	<ScreenHead>
		<Verdict {data} {waiting} first={book.tunes[0]} />
		{#if data.counts.tunes > 0}
			<div
				class="ml-auto flex flex-wrap items-center gap-x-4 gap-y-1 max-tablet:mx-0 max-tablet:my-2 max-tablet:w-full max-tablet:justify-between"
			>
				<FindField bind:this={finder} query={data.query} found={places} />
				{#if order}
					<Button look="quiet" href={orderHref(page.url, null)} data-sveltekit-noscroll
						>In playing order</Button
					>
				{/if}
				<MoreSwitch />
				<Button look="quiet" onclick={() => nameSet(null)}>
					New set <KeyCap of={NOTEBOOK.set} />
				</Button>
			</div>
		{/if}
	</ScreenHead>
	{#if data.today.length > 0}<TodayStrip
			list={data.today}
			onrest={(card) => void rest(card)}
		/>{/if}
	{#if data.counts.tunes === 0}
		<FirstOffers
			onwrite={() => void create()}
			onform={() => void create('?forms')}
			onbring={() => chooser?.choose()}
		/>
	{/if}
	<div bind:this={list}>
		{#each board.groups as group, i (group.set?.id ?? '')}
			<Later>
				<TuneGroup
					{group}
					{movable}
					{order}
					hrefOf={(column) => orderHref(page.url, orderAfter(order, column))}
					{widths}
					leads={i === firstShown}
					allowed={allowances[i]}
					onmore={() => (opened = { ...opened, [group.set?.id ?? '']: allowances[i] + ROWS })}
					{board}
					practice={book.practice}
					now={data.now}
					outside={data.sets.length > 0 ? 'Outside the sets' : 'Tunes'}
					found={data.found}
					onremove={(tune) => void remove(tune)}
					onchange={() => nameSet(group)}
				/>
			</Later>
		{/each}
		{#if data.found && data.foundCount > data.found.size}
			<p class="mt-4.5 max-w-[60ch]" role="status">
				{data.foundCount} tunes have “{data.query}”; these are the first {data.found.size}. Say more
				to find fewer.
			</p>
		{/if}
		{#if data.found?.size === 0}
			<p class="mt-4.5 max-w-[60ch]" role="status">
				No tune has “{data.query}” in its title, key, chords or words. Chords are looked for one
				after the other, as in <b>Cm7 F7</b> or <b>ii7 V7</b>.
			</p>
		{/if}
	</div>
	{#if demo.length > 0}
		<p class="pt-4 text-line text-second">
			These tunes are the demo: made up, to look around in.
			<Button look="quiet" onclick={() => void removeDemo(invalidateAll)}>Take the demo away</Button
			>
		</p>
	{/if}
	<CareNote />
	<FootKeys
		keys={[
			...(data.counts.tunes > 0
				? [NOTEBOOK.choose, NOTEBOOK.open, NOTEBOOK.drill, NOTEBOOK.carry, NOTEBOOK.find]
				: []),
			...[NOTEBOOK.tune, NOTEBOOK.set, NOTEBOOK.bring, EVERYWHERE.log, EVERYWHERE.help]
		]}
	/>
</Screen>
{#if naming}
	{#await fetched(() => import('$lib/ui/home/SetDialog.svelte')) then { default: SetDialog }}
		<SetDialog
			group={named}
			onclose={() => (naming = false)}
			ondelete={(set) => void removeSet(set)}
		/>
	{/await}
{/if}
