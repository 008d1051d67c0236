<script lang="ts">
	import { field } from '$lib/ui/parts/field';
	import { circleOf } from '$core/chart';
	import { signs } from '$core/chord';
	import { buildScale, SCALE_NAMES, type Scale } from '$core/harmony';
	import { noteName, parseNote, pitchClass } from '$core/pitch';
	import { useTune } from '$lib/state/open-tune.svelte';
	import { SCALE_GROUPS, scaleNameText } from '$lib/words/scale-groups';

	/** A tonic and a scale of the library or of the player’s own. */
	type Props = { scale: Scale; onuse: (tonic: string, name: string) => void };
	let { scale, onuse }: Props = $props();
	const open = useTune();
	const tonics = $derived.by(() => {
		const circle = circleOf(open.key?.mode ?? 'major');
		const own = noteName(scale.tonic);
		const at = circle.findIndex((name) => pcOf(name) === pitchClass(scale.tonic));
		return circle.map((name, i) => (i === at ? own : name));
	});
	function pcOf(name: string): number {
		const note = parseNote(name);
		return note ? pitchClass(note) : -1;
	}
	const mine = $derived(
		open.player.scales.find(({ degrees }) => buildScale(scale.tonic, degrees)?.name === scale.name)
	);
	/** Names and degree lists may differ for one scale; the value is what the header would say. */
	const value = $derived(mine?.degrees ?? scale.name);
	const known = $derived(mine !== undefined || SCALE_NAMES.includes(scale.name));

	const look = field();
</script>

<div class="grid grid-cols-[auto_1fr] gap-2 text-reason font-semibold">
	<label class={look.label()}
		>Tonic
		<select
			class="h-9 border-[1.5px] border-strong bg-lit px-1 font-medium text-ink"
			value={noteName(scale.tonic)}
			onchange={(event) => onuse(event.currentTarget.value, value)}
		>
			{#each tonics as name (name)}<option value={name}>{signs(name)}</option>{/each}
		</select></label
	>
	<label class={look.label()}
		>Scale
		<select
			class="h-9 border-[1.5px] border-strong bg-lit px-1 font-medium text-ink"
			{value}
			onchange={(event) => onuse(noteName(scale.tonic), event.currentTarget.value)}
		>
			{#if !known}<option value={scale.name}>{scaleNameText(scale.name)}</option>{/if}
			{#if open.player.scales.length > 0}
				<optgroup label="Your own">
					{#each open.player.scales as own, i (i)}<option value={own.degrees}>{own.name}</option
						>{/each}
				</optgroup>
			{/if}
			{#each SCALE_GROUPS as group (group.name)}
				<optgroup label={group.name}>
					{#each group.scales as name (name)}<option value={name}>{scaleNameText(name)}</option
						>{/each}
				</optgroup>
			{/each}
		</select></label
	>
</div>
