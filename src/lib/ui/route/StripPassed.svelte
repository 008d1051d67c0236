<script lang="ts">
	import { proseSigns } from '$core/chord';
	import { useTune } from '$lib/state/open-tune.svelte';
	import type { RoutePlan } from '$lib/state/route-plan.svelte';
	import type { TimeAxis } from '$lib/draw/strip-geometry';

	/** Changes on the strip that nothing lands on, and why. */
	type Props = { plan: RoutePlan; axis: TimeAxis; width: number; y: number };
	let { plan, axis, width, y }: Props = $props();
	const open = useTune();
	/** Changes without a target, by wish or because the place holds none of their tones. */
	const passed = $derived(
		open.chart.changes.filter(
			(change) =>
				plan.planned &&
				!plan.target(change.index) &&
				axis.x(change.tick) > -20 &&
				axis.x(change.tick) < width
		)
	);
	/** What is said of a change without a planned landing: the judge's word where own notes stand there. */
	function passWord(change: number): string {
		if (plan.isAir(change)) return 'air';
		if (plan.isLetPass(change)) return 'let pass';
		if (!plan.isOwn(change)) return 'no place';
		const judged = plan.check?.changes[change];
		if (!judged || judged.result === 'silent') return 'silent';
		if (judged.result === 'leaning') return `leans: ${proseSigns(judged.role ?? '')}`;
		if (judged.result !== 'landed') return judged.result;
		if (plan.line.some(({ tick }) => tick === open.chart.changes[change]?.tick))
			return `${proseSigns(judged.role ?? '')} lands`;
		return `${proseSigns(judged.role ?? '')} rings on`;
	}
</script>

{#each passed as change (change.index)}
	<g transform="translate({axis.x(change.tick)},{y})">
		{#if !plan.isOwn(change.index) || passWord(change.index) === 'silent'}
			<circle class="fill-paper stroke-third stroke-[1.6] dash-[2_3]" r="12" />
		{/if}
		<text data-part="passWord" class="fill-second text-count anchor-middle" y="32"
			>{passWord(change.index)}</text
		>
	</g>
{/each}
