<script lang="ts">
	import Select from '$lib/ui/parts/Select.svelte';
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
	const names = $derived([
		...(known ? [] : [{ value: scale.name, name: scaleNameText(scale.name) }]),
		...open.player.scales.map((own) => ({
			value: own.degrees,
			name: own.name,
			group: 'Your own'
		})),
		...SCALE_GROUPS.flatMap((group) =>
			group.scales.map((name) => ({
				value: name as string,
				name: scaleNameText(name),
				group: group.name
			}))
		)
	]);
</script>

<div class="grid grid-cols-[auto_1fr] gap-2 text-reason font-semibold">
	<Select
		label="Tonic"
		options={tonics.map((name) => ({ value: name, name: signs(name) }))}
		value={noteName(scale.tonic)}
		onchange={(tonic) => onuse(tonic, value)}
	/>
	<Select
		label="Scale"
		finds
		options={names}
		{value}
		onchange={(name) => onuse(noteName(scale.tonic), name)}
	/>
</div>
