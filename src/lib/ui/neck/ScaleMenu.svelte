<script lang="ts">
	import { fetched } from '$lib/state/fetched';
	import { popover, POP_WIDTH } from '$lib/ui/parts/popover';
	import Button from '$lib/ui/parts/Button.svelte';
	import { buildScale, parseDegrees, type Scale } from '$core/harmony';
	import { noteName, parseNote } from '$core/pitch';
	import { useTune } from '$lib/state/open-tune.svelte';
	import { saveHeaders } from '$lib/state/tune-headers';
	import ChevronDown from '@lucide/svelte/icons/chevron-down';
	import { Popover } from 'bits-ui';
	import { scaleTitle } from '$lib/words/words';
	import ScalePicker from './ScalePicker.svelte';

	/** The scale in use, and the choice of another: from the library, one's own, or by degrees. */
	let { scale }: { scale: Scale } = $props();
	const open = useTune();
	let shown = $state(false);

	function use(tonic: string, name: string): void {
		const note = parseNote(tonic);
		const built = note && buildScale(note, name);
		if (!built) return;
		const said = `${scaleTitle(built, open.player.scales)} is in use.`;
		void saveHeaders(open, { scale: `${tonic} ${name}` }, said);
	}
	function take(text: string): string | undefined {
		const degrees = parseDegrees(text);
		if (!degrees) return 'Write degrees upward from 1, as in 1 b3 4 5 b7.';
		use(noteName(scale.tonic), degrees);
	}

	const look = popover();
</script>

<Popover.Root bind:open={shown}>
	<Popover.Trigger
		class={look.pick()}
		aria-label="Scale in use: {scaleTitle(scale, open.player.scales)}. Change it"
		>{scaleTitle(scale, open.player.scales)}
		<ChevronDown size={15} aria-hidden="true" /></Popover.Trigger
	>
	<Popover.Portal>
		<Popover.Content
			role="dialog"
			aria-label="Scale in use"
			class={look.pop({ class: POP_WIDTH })}
			side="top"
			align="start"
			sideOffset={6}
			collisionPadding={12}
		>
			<ScalePicker {scale} onuse={use} />
			{#await fetched(() => import('$lib/ui/parts/LineForm.svelte')) then { default: LineForm }}
				{#await fetched(() => import('$lib/api/form-schema')) then { degreesForm }}
					<LineForm
						schema={degreesForm}
						label="Or its degrees"
						placeholder="1 b3 4 5 b7"
						maxlength={60}
						action="Use it"
						ontake={take}
					/>
				{/await}
			{/await}
			<div class="flex justify-between gap-4">
				{#if open.chart.headers.scale}
					<Button
						look="quiet"
						onclick={() =>
							void saveHeaders(open, { scale: null }, 'The scale follows the key again.')}
						>Follow the key</Button
					>
				{/if}
				<Button look="quiet" href="/settings#scales">Keep own scales</Button>
			</div>
		</Popover.Content>
	</Popover.Portal>
</Popover.Root>
