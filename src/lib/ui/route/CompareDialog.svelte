<script lang="ts">
	import Select from '$lib/ui/parts/Select.svelte';
	import Dialog from '$lib/ui/parts/Dialog.svelte';
	import DialogLeave from '$lib/ui/parts/DialogLeave.svelte';
	import { plural } from '$lib/words/words';
	import { proseSigns, signs } from '$core/chord';
	import type { RouteAnswer, RouteSummary } from '$lib/api/notebook-schema';
	import type { PlannedRoute } from '$lib/api/route';
	import { send } from '$lib/state/api';
	import { TERMS } from '$core/route';
	import { useTune } from '$lib/state/open-tune.svelte';
	import { prefs } from '$lib/state/prefs.svelte';
	import type { RoutePlan } from '$lib/state/route-plan.svelte';
	import { Planner } from '$lib/workers/planner';
	import { onMount, untrack } from 'svelte';
	import CompareArcs from './CompareArcs.svelte';
	import { MEASURE_WORDS, TERM_WORDS } from './line-words';

	/** Two routes of the tune beside each other: landings, costs, measures. */
	type Props = { shown: boolean; plan: RoutePlan; routes: readonly RouteSummary[] };
	let { shown = $bindable(), plan, routes }: Props = $props();
	const open = useTune();

	/** The route that is open, with what is not saved yet, is `here`. */
	const HERE = 'here';
	const choices = $derived([
		{ id: HERE, name: `${plan.saved?.name ?? 'New route'}, as it stands` },
		...routes.map((route) => ({ id: route.id, name: route.name }))
	]);
	const lists = $derived(choices.map(({ id: value, name }) => ({ value: String(value), name })));
	let left = $state(HERE);
	let right = $state(
		untrack(() => routes.find((route) => route.id !== plan.saved?.id)?.id ?? routes[0]?.id ?? HERE)
	);
	let planner: Planner | null = null;
	onMount(() => {
		planner = new Planner();
		return () => planner?.close();
	});

	type Side = { readonly planned: PlannedRoute | null; readonly problem: string };
	let sides: readonly [Side | null, Side | null] = $state.raw([null, null]);

	async function made(which: string): Promise<Side> {
		try {
			const own = plan.request();
			const request =
				which === HERE
					? own
					: { ...own, route: await send<RouteAnswer>('GET', `/api/v1/routes/${which}`) };
			const outcome = await planner?.plan(request);
			if (!outcome) return { planned: null, problem: '' };
			return 'error' in outcome
				? { planned: null, problem: outcome.error.map((issue) => issue.message).join(' ') }
				: { planned: outcome.value, problem: '' };
		} catch (error) {
			return { planned: null, problem: error instanceof Error ? error.message : String(error) };
		}
	}
	$effect(() => {
		const wanted = [left, right] as const;
		if (!planner) return;
		void (async () => {
			const a = await made(wanted[0]);
			const b = await made(wanted[1]);
			if (wanted[0] === left && wanted[1] === right) sides = [a, b];
		})();
	});
	const both = $derived(
		sides[0]?.planned && sides[1]?.planned ? ([sides[0].planned, sides[1].planned] as const) : null
	);
	const rows = $derived.by(() => {
		if (!both) return [];
		return open.chart.changes.map((change) => {
			const [a, b] = both.map((side) => side.targets.find((t) => t.change === change.index));
			const same = a?.string === b?.string && a?.fret === b?.fret;
			return { change, a, b, same };
		});
	});
	const same = $derived(rows.filter((row) => row.same).length);
	/** Where only one of them has a line, its landings alone are weighed against the other's. */
	const whole = $derived(both?.every((side) => 'turns' in side.metrics) ?? false);
	const totals = $derived(
		(both ?? []).map((side) =>
			whole ? side.cost : TERMS.reduce((sum, term) => sum + side.costs[term], 0)
		)
	);
	const costs = $derived.by(() => {
		if (!both) return [];
		return Object.entries(TERM_WORDS)
			.filter(([term]) => whole || (TERMS as readonly string[]).includes(term))
			.map(([term, words]) => {
				const [a, b] = both.map((side) => side.costs[term as keyof typeof TERM_WORDS]);
				return { words, a, b };
			})
			.filter(({ a, b }) => a > 0 || b > 0)
			.sort((x, y) => Math.abs(y.a - y.b) - Math.abs(x.a - x.b))
			.slice(0, 8);
	});
	const measures = $derived.by(() => {
		if (!both) return [];
		return Object.entries(MEASURE_WORDS).flatMap(([name, { words, share }]) => {
			const [a, b] = both.map((side) => side.metrics[name]);
			if (a === undefined && b === undefined) return [];
			const say = (value: number | undefined) =>
				value === undefined
					? '–'
					: share
						? `${Math.round(100 * value)} %`
						: String(Math.round(10 * value) / 10);
			return [{ words, a: say(a), b: say(b) }];
		});
	});
	const sameWords = $derived(
		`${same} of ${plural(rows.length, 'landing')} ${same === 1 ? 'is' : 'are'} the same.`
	);

	/** Both tables: heads over a rule, rows over hairlines, figures under each other. */
	const TABLE =
		'mb-3 w-full border-collapse text-line tabular-nums [&_tbody_th]:font-medium [&_td]:border-b [&_td]:border-hair [&_td]:py-1 [&_td]:pr-2.5 [&_td]:text-left [&_th]:border-b [&_th]:border-hair [&_th]:py-1 [&_th]:pr-2.5 [&_th]:text-left [&_thead_th]:border-b-2 [&_thead_th]:border-ink [&_thead_th]:text-reason [&_thead_th]:font-normal [&_thead_th]:text-second';
</script>

{#snippet landing(target: (typeof rows)[number]['a'])}
	{#if target}
		<b>{prefs.name(target.name)}</b>
		{signs(target.role)}
		<small class="text-reason text-second">string {target.string}, fret {target.fret}</small>
	{:else}
		<small class="text-reason text-second">no landing</small>
	{/if}
{/snippet}

<Dialog bind:open={shown} title="Two routes beside each other" width="wide">
	{#snippet lead()}
		{#if both}
			{sameWords}
			{whole ? 'They cost' : 'The landings cost'}
			{totals[0].toFixed(1)} and {totals[1].toFixed(1)}: lower is what the planner would rather
			play.
		{:else}
			Both are planned on the chart as it is now.
		{/if}
	{/snippet}
	<div class="mb-3 grid grid-cols-2 gap-x-6 gap-y-2 @max-[38rem]:grid-cols-1">
		<Select label="Left" options={lists} bind:value={left} />
		<Select label="Right" options={lists} bind:value={right} />
	</div>
	{#each sides as side, i (i)}
		{#if side?.problem}<p role="alert">
				The {i === 0 ? 'left' : 'right'} route cannot be planned: {proseSigns(side.problem)}
			</p>{/if}
	{/each}
	{#if both}
		<CompareArcs sides={both} />
		<div class="mt-3 grid grid-cols-[3fr_2fr] items-start gap-6 @max-[38rem]:grid-cols-[1fr]">
			<table class={TABLE}>
				<thead><tr><th>Bar</th><th>Chord</th><th>Left</th><th>Right</th></tr></thead>
				<tbody>
					{#each rows as row (row.change.index)}
						<tr class="data-differs:bg-lit" data-differs={!row.same || undefined}>
							<td>{row.change.bar}{row.change.beat !== 1 ? `.${row.change.beat}` : ''}</td>
							<th scope="row">{signs(row.change.to.symbol)}</th>
							<td>{@render landing(row.a)}</td>
							<td
								>{#if row.same}<small class="text-reason text-second">the same</small
									>{:else}{@render landing(row.b)}{/if}</td
							>
						</tr>
					{/each}
				</tbody>
			</table>
			<div>
				<table class={TABLE}>
					<thead><tr><th>Measure</th><th>Left</th><th>Right</th></tr></thead>
					<tbody>
						{#each measures as row (row.words)}
							<tr><th scope="row">{row.words}</th><td>{row.a}</td><td>{row.b}</td></tr>
						{/each}
					</tbody>
				</table>
				<table class={TABLE}>
					<thead><tr><th>Cost of</th><th>Left</th><th>Right</th></tr></thead>
					<tbody>
						{#each costs as row (row.words)}
							<tr
								><th scope="row">{row.words}</th>
								<td
									class="border-b border-hair py-1 pr-2.5 text-left tabular-nums data-less:font-bold"
									data-less={row.a < row.b || undefined}>{row.a.toFixed(1)}</td
								>
								<td
									class="border-b border-hair py-1 pr-2.5 text-left tabular-nums data-less:font-bold"
									data-less={row.b < row.a || undefined}>{row.b.toFixed(1)}</td
								></tr
							>
						{/each}
					</tbody>
				</table>
			</div>
		</div>
	{/if}
	<p class="pt-2"><DialogLeave>Close</DialogLeave></p>
</Dialog>
