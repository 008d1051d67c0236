<script lang="ts">
	import { Dialog } from 'bits-ui';
	import type { Snippet } from 'svelte';
	import { dialog } from './dialog';

	/** A sheet over the screen that holds the focus: its title, the sentence under it, what it is for. Escape leaves it. */
	type Props = {
		open: boolean;
		title: string;
		/** The sentence under the title. */
		lead: Snippet | string;
		width?: 'small' | 'usual' | 'wide';
		/** It was left. */
		onclose?: () => void;
		/** It has opened; `preventDefault` keeps the focus from its first control. */
		onopened?: (event: Event) => void;
		class?: string;
		part?: string;
		children: Snippet;
	};
	let {
		open = $bindable(),
		title,
		lead,
		width = 'usual',
		onclose,
		onopened,
		class: extra,
		part,
		children
	}: Props = $props();
	const look = $derived(dialog({ width }));
</script>

<Dialog.Root bind:open onOpenChange={(now) => !now && onclose?.()}>
	<Dialog.Portal>
		<Dialog.Overlay class={look.veil()} />
		<Dialog.Content
			class={look.sheet({ class: extra })}
			data-part={part}
			onOpenAutoFocus={onopened}
		>
			<Dialog.Title class={look.title()} level={2}>{title}</Dialog.Title>
			<Dialog.Description class={look.lead()}>
				{#if typeof lead === 'string'}{lead}{:else}{@render lead()}{/if}
			</Dialog.Description>
			{@render children()}
		</Dialog.Content>
	</Dialog.Portal>
</Dialog.Root>
