<script lang="ts">
	import { fetched } from '$lib/state/fetched';
	import '../app.css';
	import { afterNavigate, goto } from '$app/navigation';
	import { page } from '$app/state';
	import { care } from '$lib/state/care.svelte';
	import { dropping } from '$lib/state/dropping.svelte';
	import { dropLetters } from '$lib/state/first-letters';
	import { useKeys } from '$lib/state/keys';
	import { ELSEWHERE, EVERYWHERE } from '$lib/words/keys/everywhere';
	import { lastTune } from '$lib/state/last-tune.svelte';
	import { prefs } from '$lib/state/prefs.svelte';
	import { soundPrefs } from '$lib/state/sound-prefs.svelte';
	import Later from '$lib/ui/Later.svelte';
	import Rail from '$lib/ui/Rail.svelte';
	import Standing from '$lib/ui/Standing.svelte';
	import { ModeWatcher } from 'mode-watcher';
	import { onMount, type Snippet } from 'svelte';

	let { children }: { children: Snippet } = $props();
	/** A set has an id of its own kind. */
	const tuneId = $derived(
		page.status === 200 && page.route.id?.startsWith('/tunes/')
			? (page.params.id ?? lastTune.id)
			: lastTune.id
	);

	// What was typed for a new tune is for its chart alone.
	afterNavigate(({ to }) => {
		if (!to?.route.id?.endsWith('/chart')) dropLetters();
	});
	onMount(() => {
		prefs.load();
		care.load();
		lastTune.load();
		soundPrefs.load();
		document.documentElement.dataset.ready = 'true';
	});
	// At once: what is dropped before the part that reads it has come waits for it.
	onMount(() => dropping.listen());

	/** The page of the route that is open, or of the place where the hand is. */
	function sheetHref(id: string): string {
		const now = new URL(location.href).searchParams;
		const wish = new URLSearchParams();
		for (const name of ['route', 'position']) {
			const value = now.get(name);
			if (page.params.id === id && value && value !== 'new') wish.set(name, value);
		}
		return `/tunes/${id}/sheet?${wish}`;
	}
	const open = (path: string) => {
		const link = document.querySelector<HTMLAnchorElement>(`nav a[href*="/${path}"]`);
		if (link) void goto(link.href);
	};
	useKeys(
		EVERYWHERE,
		{
			chart: () => open('chart'),
			neck: () => open('neck'),
			route: () => open('route'),
			phrase: () => open('phrase'),
			drill: () => open('drill'),
			log: () => goto('/log'),
			sheet: () => tuneId && goto(sheetHref(tuneId)),
			labels: () => prefs.set('labels', prefs.current.labels === 'names' ? 'roles' : 'names'),
			more: () => prefs.toggle('more'),
			help: () => goto('/help')
		},
		{ level: 'app' }
	);
	useKeys(
		ELSEWHERE,
		{ stand: () => tuneId && goto(`/tunes/${tuneId}/route?stand`) },
		{ level: 'app', when: () => !page.params.id }
	);
</script>

<!-- The script that sets the theme before anything is drawn stands in app.html, by the nonce of the page. -->
<ModeWatcher disableHeadScriptInjection />
<Later>
	{#await fetched(() => import('$lib/ui/Notices.svelte')) then Notices}<Notices.default />{/await}
	<Standing />
	{#await fetched(() => import('$lib/ui/Tips.svelte')) then Tips}<Tips.default />{/await}
</Later>
<a
	class="fixed -top-15 left-18 z-50 bg-ink px-4 py-2.5 font-bold text-paper focus:top-2 print:hidden"
	href="#main">To the content</a
>
{#if page.route.id === '/login'}
	{@render children()}
{:else}
	<Later>
		{#await fetched(() => import('$lib/ui/files/DropFiles.svelte')) then DropFiles}<DropFiles.default
			/>{/await}
	</Later>
	<Rail {tuneId} />
	<div
		class="ml-16 flex min-h-dvh flex-col max-desk:ml-0 max-desk:pb-16 print:m-0 print:block print:min-h-0 print:p-0"
	>
		{@render children()}
	</div>
{/if}
