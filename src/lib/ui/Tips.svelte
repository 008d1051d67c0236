<script lang="ts">
	import { fetched } from '$lib/state/fetched';
	import { MediaQuery } from 'svelte/reactivity';

	/**
	 * The tooltip of all screens: what has `data-tip` tells it while a pointer rests there, or keys have come to it.
	 * A finger has none; Escape sends it away.
	 */
	const id = $props.id();
	const RESTS_MS = 450;
	const points = new MediaQuery('(hover: hover)', false);
	let at: HTMLElement | null = $state.raw(null);
	let timer: ReturnType<typeof setTimeout> | undefined;

	const tipped = (target: EventTarget | null) =>
		target instanceof Element ? target.closest<HTMLElement>('[data-tip]') : null;
	function leave(): void {
		clearTimeout(timer);
		at?.removeAttribute('aria-describedby');
		at = null;
	}
	function come(to: HTMLElement | null, afterMs: number): void {
		if (to === at) return;
		leave();
		if (!to) return;
		timer = setTimeout(() => {
			if (!to.isConnected) return;
			at = to;
			to.setAttribute('aria-describedby', id);
		}, afterMs);
	}
</script>

<svelte:document
	onpointerover={({ target, pointerType }) => {
		if (pointerType === 'mouse' && points.current) come(tipped(target), RESTS_MS);
	}}
	onpointerdown={leave}
	onfocusin={({ target }) => {
		if (target instanceof Element && target.matches(':focus-visible')) come(tipped(target), 0);
	}}
	onfocusout={leave}
	onkeydown={({ key }) => {
		if (key === 'Escape') leave();
	}}
/>
{#if at?.dataset.tip}
	{#await fetched(() => import('./Tip.svelte')) then { default: Tip }}
		<Tip anchor={at} says={at.dataset.tip} {id} />
	{/await}
{/if}
