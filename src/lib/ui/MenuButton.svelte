<script lang="ts">
	import { fetched } from '$lib/state/fetched';
	import Button from '$lib/ui/parts/Button.svelte';
	import ChevronDown from '@lucide/svelte/icons/chevron-down';
	import type { Snippet } from 'svelte';
	import type { MenuLine } from './DropMenu.svelte';

	/** A button that a menu drops from; the menu is fetched when it is opened for the first time. */
	let { lines, children }: { lines: readonly MenuLine[]; children: Snippet } = $props();
	let shown = $state(false);
	let wanted = $state(false);
	let trigger: HTMLElement | null = $state(null);
	function open(): void {
		wanted = true;
		shown = !shown;
	}
</script>

<Button
	bind:ref={trigger}
	look="quiet"
	aria-haspopup="menu"
	aria-expanded={shown}
	onclick={open}
	onkeydown={(event) => {
		if (event.key !== 'ArrowDown' || shown) return;
		event.preventDefault();
		open();
	}}
>
	{@render children()}
	<ChevronDown size={18} aria-hidden="true" />
</Button>
{#if wanted}
	{#await fetched(() => import('./DropMenu.svelte')) then Menu}
		<Menu.default bind:shown {trigger} {lines} />
	{/await}
{/if}
