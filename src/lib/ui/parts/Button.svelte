<script lang="ts">
	import type { HTMLAnchorAttributes, HTMLButtonAttributes } from 'svelte/elements';
	import { button, type ButtonLook } from './button';

	/** A button, or with `href` a link that looks like one. */
	type Props = ButtonLook & {
		ref?: HTMLElement | null;
		href?: string | null;
		download?: HTMLAnchorAttributes['download'];
		class?: string;
	} & Omit<HTMLButtonAttributes, 'class'>;
	let {
		look,
		size,
		tight,
		ref = $bindable(null),
		href = null,
		download,
		class: extra,
		type = 'button',
		children,
		...rest
	}: Props = $props();
	const looks = $derived(button({ look, size, tight, class: extra }));
</script>

{#if href !== null}
	<a bind:this={ref} class={looks} {href} {download} {...rest as HTMLAnchorAttributes}
		>{@render children?.()}</a
	>
{:else}
	<button bind:this={ref} class={looks} {type} {...rest}>{@render children?.()}</button>
{/if}
