<script lang="ts">
	import { signs } from '$core/chord';
	import { noteName } from '$core/pitch';
	import type { LineSettings } from '$lib/api/route-schema';
	import { landingAt } from '$lib/state/landing-beat';
	import { useTune } from '$lib/state/open-tune.svelte';
	import type { RoutePlan } from '$lib/state/route-plan.svelte';
	import Check from '$lib/ui/parts/Check.svelte';
	import Choice from '$lib/ui/parts/Choice.svelte';
	import Select from '$lib/ui/parts/Select.svelte';

	/** When the line lands: on the changes, while a chord goes on, on which beat; and whether it comes home. */
	let { plan }: { plan: RoutePlan } = $props();
	const open = useTune();
	const line = $derived(plan.wishes.line);
	const LANDS = [
		{ value: 'change', name: 'On a change' },
		{ value: 'bar', name: 'Every bar' },
		{ value: 'two-bars', name: 'Every two' }
	] as const;
	const most = $derived(Math.max(...open.written.bars.map((bar) => bar.signature.beats), 1));
	const beats = $derived([
		{ value: '', name: 'with the chord' },
		...Array.from({ length: most - 1 }, (_, i) => ({
			value: String(i + 2),
			name: `on beat ${i + 2} of its bar`
		}))
	]);
	const set = (times: Partial<Pick<LineSettings, 'land' | 'beat' | 'top'>>) =>
		plan.wish(landingAt(open.written, plan.wishes, times));
</script>

<Choice label="Landings" options={LANDS} value={line.land} onchange={(land) => set({ land })} />
<Select
	label="A landing comes"
	row
	options={beats}
	value={String(line.beat ?? '')}
	onchange={(beat) => set({ beat: beat === '' ? null : Number(beat) })}
/>
<Check checked={line.top} onchange={(top) => set({ top })}
	>At the top of a repeat, though the chord goes on</Check
>
{#if open.key}
	<Check checked={line.home} onchange={(home) => plan.setLine({ home })}
		>Come home: land on {signs(noteName(open.key.tonic))}, whatever the chord</Check
	>
{/if}
