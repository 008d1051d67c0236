<script lang="ts">
	import { Toggle, type ToggleRootProps } from 'bits-ui';
	import type { Snippet } from 'svelte';
	import { button, type ButtonLook } from './button';

	/** A button that stays pressed: what it names is on or off. Without a `look` it has that of its `class` alone. */
	type Props = ButtonLook & {
		pressed: boolean;
		onchange: (pressed: boolean) => void;
		class?: string;
		children: Snippet;
	} & Omit<
			ToggleRootProps,
			'pressed' | 'onPressedChange' | 'onchange' | 'class' | 'child' | 'children'
		>;
	let { pressed, onchange, look, size, tight, class: extra, children, ...rest }: Props = $props();
	const looks = $derived(look ? button({ look, size, tight, class: extra }) : extra);
</script>

<Toggle.Root bind:pressed={() => pressed, onchange} class={looks} {...rest}
	>{@render children()}</Toggle.Root
>
