<script lang="ts">
	import Button from '$lib/ui/parts/Button.svelte';
	import { page } from '$app/state';
	import { lastTune } from '$lib/state/last-tune.svelte';
	import TopBar from '$lib/ui/TopBar.svelte';

	// A tune that is gone must not stay in the rail.
	$effect(() => {
		if (page.status === 404 && page.params.id === lastTune.id) lastTune.set(null);
	});
</script>

<svelte:head><title>{page.status === 404 ? 'Not here' : 'It broke'} · Arc Step</title></svelte:head>

<TopBar title="Arc Step" />
<main id="main" class="grid max-w-[40em] justify-items-start gap-4 px-6 py-12">
	<h1 class="text-ribbon">
		{page.status === 404
			? page.error?.message === 'Not Found'
				? 'There is no such page.'
				: page.error?.message
			: 'That did not work.'}
	</h1>
	<p>
		{#if page.status === 404}
			It may have been deleted, or the address has a slip in it. Your notebook is untouched.
		{:else}
			{page.error?.message}
		{/if}
	</p>
	<Button look="main" href="/">Back to the notebook</Button>
</main>
