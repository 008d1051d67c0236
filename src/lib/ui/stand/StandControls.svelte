<script lang="ts">
	import { useTransport } from '$lib/state/transport.svelte';

	/** Play or stop, and the way out. */
	let { onclose }: { onclose: () => void } = $props();
	const transport = useTransport();
</script>

<div class="absolute top-3.5 right-4 flex gap-2.5">
	<button
		type="button"
		class="grid size-12 place-items-center rounded-full bg-ink"
		aria-label={transport.playing ? 'Stop' : 'Play'}
		onclick={() => transport.toggle()}
	>
		<svg viewBox="0 0 20 20" width="22" height="22" class="fill-paper" aria-hidden="true">
			{#if transport.playing}<rect x="4" y="4" width="12" height="12" />{:else}<path
					d="M5 2.5L17 10L5 17.5Z"
				/>{/if}
		</svg>
	</button>
	<button
		type="button"
		class="grid size-12 place-items-center rounded-full border-2 border-strong"
		aria-label="Leave the stand view"
		onclick={onclose}
	>
		<svg
			viewBox="0 0 20 20"
			width="22"
			height="22"
			class="fill-none stroke-ink stroke-[2.4]"
			aria-hidden="true"
		>
			<path d="M4 4L16 16M16 4L4 16" />
		</svg>
	</button>
</div>
