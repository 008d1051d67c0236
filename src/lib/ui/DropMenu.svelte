<script lang="ts" module>
	/** A line of a menu: what it says and does; null draws a rule. */
	export type MenuLine = { readonly name: string; readonly run: () => void } | null;
</script>

<script lang="ts">
	import { popover } from '$lib/ui/parts/popover';
	import { DropdownMenu } from 'bits-ui';

	/** The lines that drop from a menu button. */
	type Props = {
		shown: boolean;
		trigger: HTMLElement | null;
		lines: readonly MenuLine[];
	};
	let { shown = $bindable(), trigger, lines }: Props = $props();

	const look = popover();
</script>

<DropdownMenu.Root bind:open={shown}>
	<DropdownMenu.Portal>
		<DropdownMenu.Content
			class={look.menu()}
			customAnchor={trigger}
			align="end"
			sideOffset={6}
			onInteractOutside={(event) => {
				// The button itself closes it.
				if (event.target instanceof Node && trigger?.contains(event.target)) event.preventDefault();
			}}
			onCloseAutoFocus={(event) => {
				event.preventDefault();
				trigger?.focus();
			}}
		>
			{#each lines as line, i (i)}
				{#if line}
					<DropdownMenu.Item class={look.item()} onSelect={line.run}>{line.name}</DropdownMenu.Item>
				{:else}
					<DropdownMenu.Separator class={look.rule()} />
				{/if}
			{/each}
		</DropdownMenu.Content>
	</DropdownMenu.Portal>
</DropdownMenu.Root>
