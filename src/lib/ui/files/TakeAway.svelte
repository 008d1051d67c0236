<script lang="ts">
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
			<li><a {href} download>{name}</a> <small>{says}</small></li>
		{/each}
	</ul>
{/snippet}

<section>
	<h2>Take it away</h2>
	<a class="sr" bind:this={link} href={page} download tabindex="-1" aria-hidden="true">PDF</a>
	{#if route}
		<h3>{route.name}</h3>
		{@render list(routeFiles)}
		<label>
			<input type="checkbox" bind:checked={kept} /> MusicXML keeps repeats, where every time is alike
		</label>
	{/if}
	<h3>The tune</h3>
	{@render list(tuneFiles)}
</section>

<style>
	h2 {
		font-size: 18px;
		border-bottom: 2px solid var(--ink);
		padding-bottom: 4px;
	}
	h3 {
		margin-top: 10px;
		font-size: 13px;
		font-weight: 400;
		color: var(--second);
	}
	li {
		padding: 5px 0;
		border-bottom: 1px solid var(--hair);
		font-size: 15px;
	}
	a {
		font-weight: 700;
		text-decoration: underline;
		text-underline-offset: 4px;
	}
	small {
		margin-left: 6px;
		font-size: 13px;
		color: var(--second);
	}
	label {
		display: flex;
		align-items: center;
		gap: 8px;
		padding-top: 6px;
		font-size: 13px;
	}
	input {
		flex: none;
		width: 18px;
		height: 18px;
		accent-color: var(--ink);
	}
</style>
