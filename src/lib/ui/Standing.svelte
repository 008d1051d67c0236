<script lang="ts">
	import { invalidateAll } from '$app/navigation';
	import { page } from '$app/state';
	import { remembering } from '$lib/state/browser-store.svelte';
	import { serverWatch } from '$lib/state/server-watch.svelte';
	import { toast } from 'svelte-sonner';

	/** What does not stand as it should: a server that is away, a browser that remembers nothing. */
	$effect(() =>
		serverWatch.onback(() => {
			toast('The server is back.');
			if (page.status >= 500) location.reload();
			else void invalidateAll();
		})
	);
	$effect(() => {
		if (!remembering.lost) return;
		toast(
			'This browser keeps nothing here: choices and unsaved text last until you leave the page.',
			{ id: 'forgets' }
		);
	});
</script>

{#if serverWatch.away}
	<p
		class="fixed right-0 bottom-0 left-16 z-40 bg-ink px-6 py-3 text-paper max-desk:bottom-16 max-desk:left-0 print:hidden"
		role="status"
	>
		<b>The server does not answer.</b> What you typed is kept here; this page goes on by itself when the
		server is back.
	</p>
{/if}
