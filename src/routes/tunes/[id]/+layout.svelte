<script lang="ts">
	import { fetched } from '$lib/state/fetched';
	import { browser } from '$app/environment';
	import { afterNavigate, goto, replaceState } from '$app/navigation';
	import { page } from '$app/state';
	import { care, LATER } from '$lib/state/care.svelte';
	import { useKeys, useLetters } from '$lib/state/keys';
	import { isTyping } from '$lib/state/focus';
	import { BAND } from '$lib/words/keys/everywhere';
	import { prefs } from '$lib/state/prefs.svelte';
	import { lastTune } from '$lib/state/last-tune.svelte';
	import { newestRoute } from '$lib/state/played-route';
	import { provideTransport, Transport } from '$lib/state/transport.svelte';
	import { OpenTune, provideTune } from '$lib/state/open-tune.svelte';
	import { onMount, untrack, type Snippet } from 'svelte';
	import { toast } from 'svelte-sonner';
	import type { LayoutData } from './$types';

	let { data, children }: { data: LayoutData; children: Snippet } = $props();

	/** The place in the address, else the place of the newest route. */
	const startAt = (): number | null => {
		const asked = Number(page.url.searchParams.get('position'));
		return Number.isInteger(asked) && asked > 0 ? asked : (data.routes.at(-1)?.position ?? null);
	};
	const setup = () => ({
		instruments: data.instruments,
		hand: { comfortableMm: data.player.handMm },
		scales: data.player.scales
	});
	const open = provideTune(untrack(() => new OpenTune(data.tune, startAt(), setup())));
	$effect.pre(() => {
		open.player = setup();
	});

	const transport = provideTransport(
		new Transport(open, async () => {
			transport.route = await newestRoute(open, data.routes);
		})
	);
	transport.watch();
	onMount(() => () => transport.stop());
	$effect(() => {
		if (transport.state === 'playing') care.begin();
		else care.end();
	});
	// A rest is due between two passes: one notice, which can be put off.
	$effect(() => {
		if (!care.due) return;
		const minutes = untrack(() => care.minutes);
		toast(`You have played for ${minutes} minutes: rest your hands for a few.`, {
			duration: Infinity,
			action: { label: 'I have rested', onClick: () => care.rested() },
			cancel: { label: `In ${LATER} minutes`, onClick: () => care.later() }
		});
	});
	$effect(() => {
		if (transport.trouble) toast(transport.trouble);
	});

	$effect.pre(() => {
		const { tune } = data;
		untrack(() => {
			if (tune.id !== open.saved.id) {
				transport.leave();
				open.begin(tune, startAt());
			} else if (tune.version > open.saved.version) open.replace(tune);
		});
	});

	// After the first drawing: the server does not know what this browser keeps.
	$effect(() => {
		const { id } = data.tune;
		untrack(() => open.chordScales.load(id));
	});

	let navigated = $state(false);
	afterNavigate(() => (navigated = true));
	// The place stays in the address, so that a reload and the next screen find the hand there.
	$effect(() => {
		const position = String(open.position);
		const { id } = open.saved;
		// A link may have been made before the hand moved on: look again after each navigation.
		void page.url.href;
		// Where a new tune begins is no place that anybody chose.
		const { placed } = open;
		if (!browser || !navigated) return;
		untrack(() => {
			lastTune.set(id, placed ? open.position : null);
			if (!placed) return;
			const url = new URL(location.href);
			if (url.searchParams.get('position') === position) return;
			url.searchParams.set('position', position);
			replaceState(url, page.state);
		});
	});

	/** The stand view lies over any screen; the address holds it, so that going back closes it. */
	const standing = $derived(page.url.searchParams.has('stand'));
	async function stand(on: boolean): Promise<void> {
		// The page's own address forgets what was replaced in it since.
		const url = new URL(location.href);
		if (on) url.searchParams.set('stand', '');
		else url.searchParams.delete('stand');
		await goto(url, { replaceState: !on, noScroll: true, keepFocus: true });
	}
	useKeys(
		BAND,
		{
			play: () => transport.toggle(),
			stand: () => stand(!standing),
			loop: () => transport.toggleLoop(),
			speed: (by) => transport.setSpeed(transport.speed + 5 * by),
			tap: () => transport.tap()
		},
		{ level: 'tune' }
	);
	/** While music plays the space bar stops it wherever the focus is, except in text and in dialogs. */
	useLetters((event) => {
		const bare = !event.altKey && !event.ctrlKey && !event.metaKey;
		if (event.key !== ' ' || !bare || !transport.playing) return false;
		if (isTyping(event.target) || !prefs.current.singleKeys) return false;
		transport.stop();
		return true;
	});
</script>

<!-- What a screen has begun with belongs to its tune: another tune gets a screen of its own. -->
{#key data.tune.id}
	{@render children()}
{/key}
{#if standing}
	{#await fetched(() => import('$lib/ui/stand/StandView.svelte')) then Stand}
		<Stand.default onclose={() => void stand(false)} />
	{/await}
{/if}
