<script lang="ts">
	import Check from '$lib/ui/parts/Check.svelte';
	import type { RouteSummary, TuneAnswer } from '$lib/api/notebook-schema';

	/** Every file that a tune and its route go out as. */
	type Props = {
		tune: Pick<TuneAnswer, 'id' | 'title'>;
		route: RouteSummary | null;
		/** Address of the page as PDF. */
		pdf: string;
	};
	let { tune, route, pdf: page }: Props = $props();
	let kept = $state(false);
	let link: HTMLAnchorElement;

	/** Takes the page away as PDF, as a click does. */
	export function pdf(): void {
		link.click();
	}

	type Line = { readonly name: string; readonly href: string; readonly says: string };
	const repeats = $derived(kept ? '?repeats=kept' : '');
	const routeFiles: readonly Line[] = $derived(
		route
			? [
					{
						name: 'MusicXML',
						href: `/routes/${route.id}/route.musicxml${repeats}`,
						says: 'for notation programs'
					},
					{
						name: 'compressed',
						href: `/routes/${route.id}/route.mxl${repeats}`,
						says: 'the same, smaller'
					},
					{ name: 'MIDI', href: `/routes/${route.id}/route.mid`, says: 'line and band, bends' },
					{ name: 'Tab', href: `/routes/${route.id}/route.txt`, says: 'plain text' },
					{ name: 'Document', href: `/routes/${route.id}/route.json`, says: 'for another Arc Step' }
				]
			: []
	);
	const tuneFiles: readonly Line[] = $derived([
		{ name: 'Chart text', href: `/tunes/${tune.id}/chart.txt`, says: 'as it is written' },
		{ name: 'ChordPro', href: `/tunes/${tune.id}/chart.cho`, says: 'bars as grids' },
		{
			name: 'Document',
			href: `/tunes/${tune.id}/chart.json`,
			says: 'with all its routes, for another Arc Step'
		}
	]);
</script>

{#snippet list(lines: readonly Line[])}
	<ul>
		{#each lines as { name, href, says } (href)}
			<li class="border-b border-hair py-1 text-line">
				<a class="font-bold underline underline-offset-4" {href} download>{name}</a>
				<small class="ml-1.5 text-reason text-second">{says}</small>
			</li>
		{/each}
	</ul>
{/snippet}

<section>
	<h2 class="border-b-2 border-ink pb-1 text-head">Take it away</h2>
	<a
		class="sr-only font-bold underline underline-offset-4"
		bind:this={link}
		href={page}
		download
		tabindex="-1"
		aria-hidden="true">PDF</a
	>
	{#if route}
		<h3 class="mt-2.5 text-reason font-normal text-second">{route.name}</h3>
		{@render list(routeFiles)}
		<Check bind:checked={kept}>MusicXML keeps repeats, where every time is alike</Check>
	{/if}
	<h3 class="mt-2.5 text-reason font-normal text-second">The tune</h3>
	{@render list(tuneFiles)}
</section>
