<script lang="ts">
	import { popover } from '$lib/ui/parts/popover';
	import { Popover } from 'bits-ui';
	import SoundPanel from './SoundPanel.svelte';

	/** The panel of tempo, band and click under its button. */
	type Props = {
		shown: boolean;
		trigger: HTMLElement | null;
		/** The backing is wanted as a file. */
		ontakeaway: () => void;
	};
	let { shown = $bindable(), trigger, ontakeaway }: Props = $props();

	const look = popover();
</script>

<Popover.Root bind:open={shown}>
	<Popover.Portal>
		<Popover.Content
			customAnchor={trigger}
			role="dialog"
			aria-label="Tempo, band and click"
			class={look.pop({
				class: 'max-h-[calc(100dvh_-_80px)] w-[min(780px,calc(100vw_-_24px))] overflow-y-auto'
			})}
			align="end"
			sideOffset={6}
			collisionPadding={12}
			onInteractOutside={(event) => {
				// The button itself closes it.
				if (event.target instanceof Node && trigger?.contains(event.target)) event.preventDefault();
			}}
			onCloseAutoFocus={(event) => {
				event.preventDefault();
				trigger?.focus();
			}}
		>
			<SoundPanel {ontakeaway} />
		</Popover.Content>
	</Popover.Portal>
</Popover.Root>
