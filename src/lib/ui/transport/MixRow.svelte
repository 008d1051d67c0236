<script lang="ts">
	import Toggle from '$lib/ui/parts/Toggle.svelte';
	import Slider from '$lib/ui/parts/Slider.svelte';
	import type { Fader } from '$lib/audio/desk';

	/** One part of the band: how loud, silent or alone. */
	type Props = {
		name: string;
		fader: Fader;
		/** Silent because another part plays alone. */
		quiet: boolean;
		onchange: (change: Partial<Fader>) => void;
	};
	let { name, fader, quiet, onchange }: Props = $props();
	const SWITCH =
		'min-h-7 border-[1.5px] border-strong px-2.5 text-reason font-semibold aria-pressed:border-ink aria-pressed:bg-ink aria-pressed:text-paper';
</script>

<div
	class="grid grid-cols-[64px_1fr_auto_auto] items-center gap-2"
	data-quiet={quiet || fader.muted || undefined}
>
	<span
		class="font-bold in-data-quiet:font-normal in-data-quiet:text-third in-data-quiet:line-through"
		>{name}</span
	>
	<Slider
		label="{name}: level"
		bare
		min={0}
		max={100}
		value={Math.round(fader.level * 100)}
		said="{Math.round(fader.level * 100)} %"
		onchange={(level) => onchange({ level: level / 100 })}
	/>
	<Toggle
		class={SWITCH}
		pressed={fader.muted}
		aria-label="{name}: silent"
		onchange={(muted) => onchange({ muted })}>silent</Toggle
	>
	<Toggle
		class={SWITCH}
		pressed={fader.solo}
		aria-label="{name}: alone"
		onchange={(solo) => onchange({ solo })}>alone</Toggle
	>
</div>
