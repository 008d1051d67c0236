<script lang="ts">
	import { Popover } from 'bits-ui';
	import SoundPanel from './SoundPanel.svelte';

	/** The panel of tempo, band and click under its button. */
	let { shown = $bindable(), trigger }: { shown: boolean; trigger: HTMLElement | null } = $props();
</script>

<Popover.Root bind:open={shown}>
	<Popover.Portal>
		<Popover.Content
			customAnchor={trigger}
			role="dialog"
			aria-label="Tempo, band and click"
			class="pop transport-pop"
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
			<SoundPanel />
		</Popover.Content>
	</Popover.Portal>
</Popover.Root>

<style>
	:global(.transport-pop) {
		width: min(780px, calc(100vw - 24px));
		max-height: calc(100dvh - 80px);
		overflow-y: auto;
	}
</style>
