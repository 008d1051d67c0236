<script lang="ts">
	import { fetched } from '$lib/state/fetched';
	import FirstVisit from '$lib/ui/FirstVisit.svelte';
	import { EVERYWHERE } from '$lib/words/keys/everywhere';
	import { LOG } from '$lib/words/keys/pages';
	import Screen from '$lib/ui/parts/Screen.svelte';
	import ScreenHead from '$lib/ui/parts/ScreenHead.svelte';
	import Button from '$lib/ui/parts/Button.svelte';
	import Toggle from '$lib/ui/parts/Toggle.svelte';
	import PanelHead from '$lib/ui/parts/PanelHead.svelte';
	import { offeringBack } from '$lib/state/deletion';
	import { goto, invalidateAll } from '$app/navigation';
	import { page } from '$app/state';
	import { proseSigns } from '$core/chord';
	import type { TakeSummaryAnswer } from '$lib/api/practice-schema';
	import type { LogFilter, LogTake } from '$lib/api/log-page';
	import { Refusal, send } from '$lib/state/api';
	import { useKeys } from '$lib/state/keys';
	import HabitNeck from '$lib/ui/log/HabitNeck.svelte';
	import LogCharts from '$lib/ui/log/LogCharts.svelte';
	import LogFilters from '$lib/ui/log/LogFilters.svelte';
	import { heatFields, kindName } from '$lib/ui/log/log-options';
	import { behindWords, landingVerdict } from '$lib/ui/log/log-words';
	import TakeTable from '$lib/ui/log/TakeTable.svelte';
	import WeekMinutes from '$lib/ui/log/WeekMinutes.svelte';
	import FootKeys from '$lib/ui/FootKeys.svelte';
	import Later from '$lib/ui/Later.svelte';
	import KeyCap from '$lib/ui/parts/KeyCap.svelte';
	import TopBar from '$lib/ui/TopBar.svelte';
	import { dateOfWeek, durationWords } from '$lib/words/when';
	import { plural } from '$lib/words/words';
	import { toast } from 'svelte-sonner';
	import type { PageData } from './$types';

	let { data }: { data: PageData } = $props();
	const { log, filter } = $derived(data);
	let tables = $state(false);
	let chosen: string[] = $state([]);
	let filters: LogFilters | undefined = $state();

	const day = (at: number | null) => (at === null ? '–' : dateOfWeek(at));
	const tuneTitle = $derived(log.choices.tunes.find(({ id }) => id === filter.tune)?.title);
	const shown = $derived(
		[
			tuneTitle ?? 'All tunes',
			filter.place === null ? 'all places' : `position ${filter.place}`,
			...(filter.key === null ? [] : [`key of ${proseSigns(filter.key)}`])
		].join(', ')
	);
	const facts = $derived([
		{ name: 'From, to', value: `${day(log.totals.first)} to ${day(log.totals.last)}` },
		{ name: 'Takes', value: String(log.totals.takes) },
		{ name: 'Played', value: durationWords(log.totals.durationMs) },
		{ name: 'Show', value: shown }
	]);
	function href(change: Partial<LogFilter> & { compare?: string }): string {
		const next = { ...filter, ...change };
		const params = new URLSearchParams();
		if (next.tune) params.set('tune', next.tune);
		if (next.place) params.set('place', String(next.place));
		if (next.key) params.set('key', next.key);
		if (next.sort !== 'when') params.set('sort', next.sort);
		if (!next.down) params.set('order', 'up');
		if (next.skip > 0) params.set('skip', String(next.skip));
		const compare = change.compare ?? page.url.searchParams.get('compare');
		if (compare) params.set('compare', compare);
		const text = params.toString();
		return text ? `/log?${text}` : '/log';
	}
	const set = (change: Partial<LogFilter> & { compare?: string }) =>
		void goto(href({ skip: 0, ...change }), { noScroll: true, keepFocus: true });

	/** Only takes over the same chords can be laid side by side. */
	function choose({ id, tuneId, key }: LogTake): void {
		const first = log.takes.find((one) => one.id === chosen.at(-1));
		if (first && (first.tuneId !== tuneId || first.key !== key)) {
			toast('Two takes of one tune in one key can be laid side by side: choose the other one.');
			chosen = [id];
			return;
		}
		chosen = chosen.includes(id) ? chosen.filter((one) => one !== id) : [...chosen, id].slice(-2);
		if (chosen.length === 2) set({ compare: chosen.join(','), skip: filter.skip });
	}
	async function note(take: LogTake, text: string): Promise<void> {
		try {
			await send<TakeSummaryAnswer>('PUT', `/api/v1/takes/${take.id}`, {
				note: text,
				version: take.version
			});
			await invalidateAll();
		} catch (error) {
			if (error instanceof Refusal) toast(error.message);
		}
	}
	async function remove(take: LogTake): Promise<void> {
		const path = `/api/v1/takes/${take.id}`;
		await offeringBack(
			`The take of ${take.title} is deleted.`,
			() => send('DELETE', path).then(() => invalidateAll()),
			() => send('POST', `${path}/undelete`).then(() => invalidateAll())
		);
	}
	const weakField = $derived([...heatFields(log).fields].sort((a, b) => a.share - b.share)[0]);
	useKeys(LOG, { filter: () => filters?.focus(), tables: () => (tables = !tables) });
</script>

<svelte:head><title>Log · Arc Step</title></svelte:head>

<TopBar title="Log" {facts}>
	{#snippet actions()}
		<Toggle look="quiet" pressed={tables} onchange={(on) => (tables = on)}
			>Table view <KeyCap of={LOG.tables} /></Toggle
		>
	{/snippet}
</TopBar>
<Screen>
	{#snippet first()}<FirstVisit screen="log" />{/snippet}
	{#if log.totals.takes === 0 && filter.tune === null && filter.place === null && filter.key === null}
		<h1>No take yet.</h1>
		<p class="mt-2 mb-4 max-w-[36em] text-head">
			Open a tune and drill it: every pass is judged and kept here. A pass without any input can be
			logged by ear.
		</p>
		<p><Button look="main" href="/">To the notebook</Button></p>
	{:else}
		<ScreenHead>
			<h1>{landingVerdict(log.weeks)} {behindWords(log.behind)}</h1>
			{#if weakField}
				<p>Least lands in position {weakField.position} over {kindName(weakField.kind)}.</p>
			{/if}
		</ScreenHead>
		<Later><LogCharts {log} {tables} /></Later>
		<div
			class="grid grid-cols-[minmax(0,2.05fr)_minmax(0,1fr)] gap-6 pt-3.5 max-desk:grid-cols-[minmax(0,1fr)_minmax(0,1fr)] max-tablet:grid-cols-[minmax(0,1fr)]"
		>
			<section class="min-w-0 max-desk:first:col-span-full">
				<PanelHead
					title="Two takes{data.pair.length === 2 ? '' : ' side by side'}"
					note={data.pair.length === 2
						? 'first time through, one scale of pitch'
						: 'choose two with ◇ in the table'}
					class="max-tablet:flex-wrap"
				/>
				{#if data.pair.length === 2}
					{#await fetched(() => import('$lib/ui/log/CompareTakes.svelte')) then Compare}
						<Compare.default pair={data.pair} now={data.now} />
					{/await}
				{/if}
			</section>
			<section class="min-w-0 max-desk:first:col-span-full">
				{#if data.habits}
					<PanelHead
						title="Habits"
						note="{data.habits.title}, position {data.habits.position}"
						class="max-tablet:flex-wrap"
					/>
					<Later>
						<HabitNeck habits={data.habits} strings={data.habits.strings} />
					</Later>
				{/if}
			</section>
		</div>
		<div
			data-part="last"
			class="grid grid-cols-[minmax(0,1fr)_minmax(0,2.05fr)] gap-6 pt-3.5 max-desk:grid-cols-[minmax(0,1fr)_minmax(0,1fr)] max-tablet:grid-cols-[minmax(0,1fr)]"
		>
			<section class="min-w-0 max-desk:last:col-span-full">
				<WeekMinutes {log} {tables} />
			</section>
			<section class="min-w-0 max-desk:last:col-span-full">
				<PanelHead title="Takes" note={plural(log.found, 'take')} class="max-tablet:flex-wrap">
					<LogFilters bind:this={filters} choices={log.choices} {filter} onset={set} />
				</PanelHead>
				<Later>
					<TakeTable
						{log}
						{filter}
						now={data.now}
						{chosen}
						{href}
						onchoose={choose}
						onnote={note}
						onremove={(take) => void remove(take)}
					/>
				</Later>
				<noscript>
					{#if filter.skip > 0}<a href={href({ skip: Math.max(0, filter.skip - log.page) })}
							>Newer</a
						>{/if}
					{#if filter.skip + log.page < log.found}<a href={href({ skip: filter.skip + log.page })}
							>More</a
						>{/if}
				</noscript>
			</section>
		</div>
	{/if}
	<FootKeys keys={[LOG.filter, LOG.tables, [EVERYWHERE.chart, 'back to the tune']]} />
</Screen>
