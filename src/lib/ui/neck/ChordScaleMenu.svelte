<script lang="ts">
	import { popover, POP_WIDTH } from '$lib/ui/parts/popover';
	import { signs, type Chord } from '$core/chord';
	import { buildScale, type Scale } from '$core/harmony';
	import { parseNote } from '$core/pitch';
	import { Popover } from 'bits-ui';
	import ScalePicker from './ScalePicker.svelte';

	/** Any scale for one chord, on any note. */
	type Props = {
		chord: Chord;
		scale: Scale;
		chosen: boolean;
		onuse: (scale: Scale | null) => void;
	};
	let { chord, scale, chosen, onuse }: Props = $props();
	let shown = $state(false);

	function use(tonic: string, name: string): void {
		const note = parseNote(tonic);
		const built = note && buildScale(note, name);
		if (built) onuse(built);
	}

	const look = popover();
</script>

<Popover.Root bind:open={shown}>
	<Popover.Trigger
		class="min-h-6 px-1 text-count whitespace-nowrap text-second hover:underline max-tablet:min-h-11"
		aria-label="Any scale for {signs(chord.symbol)}">any …</Popover.Trigger
	>
	<Popover.Portal>
		<Popover.Content
			role="dialog"
			aria-label="Any scale for {signs(chord.symbol)}"
			class={look.pop({ class: POP_WIDTH })}
			side="top"
			align="end"
			sideOffset={6}
			collisionPadding={12}
		>
			<ScalePicker {scale} onuse={use} />
			{#if chosen}
				<button
					type="button"
					class="mt-2 text-reason underline"
					onclick={() => {
						onuse(null);
						shown = false;
					}}>Back to the scale in use</button
				>
			{/if}
		</Popover.Content>
	</Popover.Portal>
</Popover.Root>
