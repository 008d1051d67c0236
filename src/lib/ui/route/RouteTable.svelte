<script lang="ts">
	import { signs } from '$core/chord';
	import { useTune } from '$lib/state/open-tune.svelte';
	import { prefs } from '$lib/state/prefs.svelte';
	import { wayOf } from '$lib/state/ways';
	import type { RoutePlan } from '$lib/state/route-plan.svelte';

	/** The strip as a table, for those who do not see it and for reading the reasons in one go. */
	let { plan }: { plan: RoutePlan } = $props();
	const open = useTune();
	/** How a change came out, and on which tone of its chord. */
	function judged(change: number): string {
		const found = plan.check?.changes[change];
		if (!found) return '';
		const { result, name, role, midi } = found;
		if (name === null || midi === null) return result;
		return `${result}: ${prefs.name(name)}${role ? `, ${signs(role)}` : ''}`;
	}
	/** The notes on the way after a change, by name. */
	function after(change: number): string {
		const { from, to } = wayOf(open.chart, change);
		return plan.line
			.filter((note) => note.tick >= from && note.tick < to && note.kind !== 'target')
			.map((note) => prefs.name(note.name))
			.join(' ');
	}
</script>

<div class="scroll">
	<table>
		<caption>Landings in order</caption>
		<thead>
			<tr
				><th>Bar</th><th>Chord</th><th>Land on</th><th>String, fret</th>
				{#if plan.line.length > 0}<th>Then</th>{/if}<th>Judged</th><th>Why</th></tr
			>
		</thead>
		<tbody>
			{#each open.chart.changes as change (change.index)}
				{@const target = plan.target(change.index)}
				<tr class:here={change.index === open.cursor}>
					<td>{change.bar}{change.beat !== 1 ? `, beat ${change.beat}` : ''}</td>
					<th scope="row">{signs(change.to.symbol)}</th>
					{#if target}
						<td
							>{prefs.name(target.name)}, {signs(target.role)}{plan.isLocked(change.index)
								? ', locked'
								: ''}</td
						>
						<td>{target.string}, {target.fret}</td>
						{#if plan.line.length > 0}<td>{after(change.index)}</td>{/if}
						<td>{judged(change.index)}</td>
						<td>{target.reasons.map((reason) => prefs.prose(reason)).join(' ')}</td>
					{:else}
						<td colspan="2"
							>{plan.isLetPass(change.index)
								? 'let pass'
								: plan.isOwn(change.index)
									? 'your own notes'
									: 'no landing'}</td
						>
						{#if plan.line.length > 0}<td>{after(change.index)}</td>{/if}
						<td>{plan.isLetPass(change.index) ? '' : judged(change.index)}</td>
						<td>{prefs.prose(plan.check?.changes[change.index]?.fix?.text ?? '')}</td>
					{/if}
				</tr>
			{/each}
		</tbody>
	</table>
</div>

<style>
	.scroll {
		overflow-x: auto;
	}
	table {
		width: 100%;
		border-collapse: collapse;
		font-size: 13px;
		margin: 8px 0;
	}
	caption {
		text-align: left;
		font-family: var(--font-display);
		font-weight: 800;
		font-size: 18px;
		padding: 6px 0;
	}
	th,
	td {
		text-align: left;
		padding: 5px 12px 5px 0;
		border-bottom: 1px solid var(--hair);
		vertical-align: top;
	}
	thead th {
		border-bottom: 2px solid var(--ink);
		font-weight: 400;
		color: var(--second);
	}
	.here {
		background: var(--lit);
	}
</style>
