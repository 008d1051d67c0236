<script lang="ts">
	import { Tooltip } from 'bits-ui';

	/** What a small control does, beside it. */
	let { anchor, says, id }: { anchor: HTMLElement; says: string; id: string } = $props();
</script>

<Tooltip.Provider>
	<Tooltip.Root open>
		<Tooltip.Portal>
			<Tooltip.Content
				{id}
				role="tooltip"
				customAnchor={anchor}
				side="top"
				sideOffset={4}
				collisionPadding={8}
				class="pointer-events-none z-50 max-w-80 border-[1.5px] border-ink bg-lit px-2 py-0.5 text-reason text-ink"
			>
				{says}
			</Tooltip.Content>
		</Tooltip.Portal>
	</Tooltip.Root>
</Tooltip.Provider>
