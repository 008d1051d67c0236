<script lang="ts">
	import { fetched } from '$lib/state/fetched';
	import { keyName, type Chart } from '$core/chart';
	import { keyOf } from '$core/harmony';
	import { useTune } from '$lib/state/open-tune.svelte';
	import type { Snippet } from 'svelte';
	import { useTransport } from '$lib/state/transport.svelte';
	import TopBar from './TopBar.svelte';
	import TransportBar from './transport/TransportBar.svelte';
	import { capital, keyWords } from '$lib/words/words';

	/** The bar of an open tune, the same on every screen; `chart` shows a text that is being edited. */
	let { chart, actions }: { chart?: Chart; actions?: Snippet } = $props();
	const open = useTune();
	const transport = useTransport();
	const shown = $derived(chart ?? open.chart);
	const key = $derived(keyOf(shown));
	const feel = $derived(shown.headers.feel);
	const facts = $derived([
		{ name: 'Key', value: key ? keyWords(keyName(key)) : 'none yet' },
		{ name: 'Feel', value: capital(feel) },
		{ name: 'Place', value: `Position ${open.position}` }
	]);
</script>

{#snippet heard()}
	{#await fetched(() => import('./transport/Playing.svelte')) then Playing}<Playing.default
		/>{/await}
{/snippet}
{#snippet end()}<TransportBar />{/snippet}
<TopBar
	title={shown.headers.title ?? 'Untitled tune'}
	{facts}
	instead={transport.playing ? heard : undefined}
	{actions}
	{end}
/>
