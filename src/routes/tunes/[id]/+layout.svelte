<script lang="ts">
	import { browser } from '$app/environment';
	import { afterNavigate, replaceState } from '$app/navigation';
	import { page } from '$app/state';
	import { lastTune } from '$lib/state/last-tune.svelte';
	import { OpenTune, provideTune } from '$lib/state/open-tune.svelte';
	import { untrack, type Snippet } from 'svelte';
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

	$effect.pre(() => {
		const { tune } = data;
		untrack(() => {
			if (tune.id !== open.saved.id) {
				open.replace(tune);
				open.moveTo(startAt() ?? 5);
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
		if (!browser || !navigated) return;
		untrack(() => {
			lastTune.set(id, open.position);
			const url = new URL(location.href);
			if (url.searchParams.get('position') === position) return;
			url.searchParams.set('position', position);
			replaceState(url, page.state);
		});
	});
</script>

{@render children()}
