<script lang="ts">
	import { browser } from '$app/environment';
	import { inTurn } from '$lib/state/in-turn';
	import { onMount, type Snippet } from 'svelte';

	/**
	 * A part of a screen that comes to life in a task of its own once the first part has, so that no screen keeps a key
	 * waiting for all of it. Until then what the server drew stands there; on the way from another screen nothing does.
	 */
	type Props = {
		children: Snippet;
		/** Pixels that are kept free for it. */
		height?: number;
	};
	let { children, height = 0 }: Props = $props();

	const id = $props.id();
	let there = $state(false);
	/** The server's drawing, taken out before the page that comes to life lets it go. */
	const drawn = browser ? [...(document.getElementById(`later-${id}`)?.childNodes ?? [])] : [];
	const hold = (node: HTMLElement) => node.append(...drawn.splice(0));
	onMount(() => inTurn(() => (there = true)));
</script>

{#if !browser}
	<div id="later-{id}" class="contents">{@render children()}</div>
{:else if there}
	{@render children()}
{:else if drawn.length > 0}
	<div class="contents" inert {@attach hold}></div>
{:else if height > 0}
	<div style:height="{height}px"></div>
{/if}
