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

<div class="overflow-x-auto">
	<table class="my-2 w-full border-collapse text-reason">
		<caption class="py-1.5 text-left font-display text-head font-extrabold"
			>Landings in order</caption
		>
		<thead>
			<tr
				><th class="border-b-2 border-ink py-1 pr-3 text-left align-top font-normal text-second"
					>Bar</th
				><th class="border-b-2 border-ink py-1 pr-3 text-left align-top font-normal text-second"
					>Chord</th
				><th class="border-b-2 border-ink py-1 pr-3 text-left align-top font-normal text-second"
					>Land on</th
				><th class="border-b-2 border-ink py-1 pr-3 text-left align-top font-normal text-second"
					>String, fret</th
				>
				{#if plan.line.length > 0}<th
						class="border-b-2 border-ink py-1 pr-3 text-left align-top font-normal text-second"
						>Then</th
					>{/if}<th
					class="border-b-2 border-ink py-1 pr-3 text-left align-top font-normal text-second"
					>Judged</th
				><th class="border-b-2 border-ink py-1 pr-3 text-left align-top font-normal text-second"
					>Why</th
				></tr
			>
		</thead>
		<tbody>
			{#each open.chart.changes as change (change.index)}
				{@const target = plan.target(change.index)}
				<tr class="data-here:bg-lit" data-here={change.index === open.cursor || undefined}>
					<td class="border-b border-hair py-1 pr-3 text-left align-top"
						>{change.bar}{change.beat !== 1 ? `, beat ${change.beat}` : ''}</td
					>
					<th class="border-b border-hair py-1 pr-3 text-left align-top" scope="row"
						>{signs(change.to.symbol)}</th
					>
					{#if target}
						<td class="border-b border-hair py-1 pr-3 text-left align-top"
							>{prefs.name(target.name)}, {signs(target.role)}{plan.isLocked(change.index)
								? ', locked'
								: ''}</td
						>
						<td class="border-b border-hair py-1 pr-3 text-left align-top"
							>{target.string}, {target.fret}</td
						>
						{#if plan.line.length > 0}<td class="border-b border-hair py-1 pr-3 text-left align-top"
								>{after(change.index)}</td
							>{/if}
						<td class="border-b border-hair py-1 pr-3 text-left align-top"
							>{judged(change.index)}</td
						>
						<td class="border-b border-hair py-1 pr-3 text-left align-top"
							>{target.reasons.map((reason) => prefs.prose(reason)).join(' ')}</td
						>
					{:else}
						<td class="border-b border-hair py-1 pr-3 text-left align-top" colspan="2"
							>{plan.isLetPass(change.index)
								? 'let pass'
								: plan.isOwn(change.index)
									? 'your own notes'
									: 'no landing'}</td
						>
						{#if plan.line.length > 0}<td class="border-b border-hair py-1 pr-3 text-left align-top"
								>{after(change.index)}</td
							>{/if}
						<td class="border-b border-hair py-1 pr-3 text-left align-top"
							>{plan.isLetPass(change.index) ? '' : judged(change.index)}</td
						>
						<td class="border-b border-hair py-1 pr-3 text-left align-top"
							>{prefs.prose(plan.check?.changes[change.index]?.fix?.text ?? '')}</td
						>
					{/if}
				</tr>
			{/each}
		</tbody>
	</table>
</div>
