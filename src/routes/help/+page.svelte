<script lang="ts">
	import Screen from '$lib/ui/parts/Screen.svelte';
	import PanelHead from '$lib/ui/parts/PanelHead.svelte';
	import KeyCap from '$lib/ui/parts/KeyCap.svelte';
	import RoleMark from '$lib/ui/RoleMark.svelte';
	import TopBar from '$lib/ui/TopBar.svelte';
	import { KEY_MAPS } from '$lib/words/keys/all';
	import { capsOf } from '$lib/words/keys/key-map';
	import { LINES, MARKS, ROWS, SMALL, TABLES, TERMS } from '$lib/words/help-terms';

	const PARTS = [
		['keys', 'Keys'],
		['marks', 'Marks'],
		['care', 'Care'],
		['chart-text', 'Chart text'],
		['line-text', 'A line as text'],
		['tables', 'Lists and tables'],
		['terms', 'Terms']
	] as const;
</script>

{#snippet words(rows: readonly (readonly [string, string])[], typed = false)}
	<dl class="grid">
		{#each rows as [word, says] (word)}<dt class="pt-2 font-bold">
				{#if typed}<code class="font-mono">{word}</code>{:else}{word}{/if}
			</dt>
			<dd class="border-b border-hair pb-2 text-second">{says}</dd>{/each}
	</dl>
{/snippet}

<svelte:head><title>Help · Arc Step</title></svelte:head>
<TopBar title="Help" />
<Screen>
	<h1 class="max-w-[34em] pt-3 pb-4.5 text-verdict">
		Hear the chords: land on a note of each, on time, and the hand stays where it is.
	</h1>
	<nav class="flex flex-wrap gap-x-5 gap-y-1 pb-4.5" aria-label="On this page">
		{#each PARTS as [id, title] (id)}<a class="underline underline-offset-4" href="#{id}">{title}</a
			>{/each}
	</nav>
	<section id="keys">
		<PanelHead title="Keys" />
		<div class="columns-3 gap-8 max-desk:columns-2 max-tablet:columns-1">
			{#each KEY_MAPS as [where, map] (where)}
				<div class="break-inside-avoid">
					<h3 class="pt-3 pb-1 text-line">{where}</h3>
					<ul>
						{#each Object.entries(map) as [name, row] (name)}<li
								class="grid grid-cols-[140px_minmax(0,1fr)] gap-3 border-b border-hair py-1"
							>
								<span class="flex flex-wrap content-start items-center gap-y-1"
									>{#each capsOf(row) as caps, i (caps)}{#if i > 0}<span
												class="px-1.5 text-reason text-second">or</span
											>{/if}<KeyCap of={row} {caps} always />{/each}</span
								><span>{row.does}</span>
							</li>{/each}
					</ul>
				</div>
			{/each}
		</div>
	</section>
	<div class="grid grid-cols-3 gap-8 pt-8 max-desk:grid-cols-[1fr_1fr] max-tablet:grid-cols-[1fr]">
		<div class="grid content-start gap-6">
			<section id="marks">
				<PanelHead title="Marks" note="colour says when, shape says what" />
				<ul>
					{#each MARKS as mark (mark.says)}
						<li class="grid min-h-11.5 grid-cols-[56px_1fr] items-center border-b border-hair">
							<svg width="44" height="40" viewBox="-22 -20 44 40" aria-hidden="true"
								><RoleMark {...mark.marks} label={mark.label} target={mark.target} /></svg
							>
							<span>{mark.says}</span>
						</li>
					{/each}
					{#each SMALL as { path, kind, says } (kind)}
						<li class="grid min-h-11.5 grid-cols-[56px_1fr] items-center border-b border-hair">
							<svg width="44" height="40" viewBox="-22 -20 44 40" aria-hidden="true"
								><path
									class="data-[kind=bent]:fill-none data-[kind=bent]:stroke-second data-[kind=bent]:stroke-[2.5] data-[kind=bent]:[stroke-dasharray:2.5_2.5] data-[kind=dash]:fill-none data-[kind=dash]:stroke-second data-[kind=dash]:stroke-4 data-[kind=double]:fill-none data-[kind=double]:stroke-second data-[kind=double]:stroke-4 data-[kind=move]:fill-none data-[kind=move]:stroke-ink data-[kind=move]:stroke-2 data-[kind=plus]:fill-none data-[kind=plus]:stroke-ink data-[kind=plus]:stroke-2"
									data-kind={kind}
									d={path}
								/></svg
							>
							<span>{says}</span>
						</li>
					{/each}
				</ul>
			</section>
			<section id="care">
				<PanelHead title="Care" />
				<p class="max-w-[34em] pt-2">
					Warm up. Rest a few minutes in every half hour. Stop when anything hurts, tingles or goes
					numb. Raise tempo and stretch in small steps. Keep amplifier and headphones low enough to
					talk over. Pain that stays is for a clinician, technique for a teacher.
				</p>
			</section>
		</div>
		<div class="grid content-start gap-6">
			<section id="chart-text">
				<PanelHead title="Chart text" />
				{@render words(ROWS, true)}
			</section>
			<section id="line-text">
				<PanelHead title="A line as text" />
				{@render words(LINES, true)}
			</section>
			<section id="tables">
				<PanelHead title="Lists and tables" />
				{@render words(TABLES)}
			</section>
		</div>
		<div class="grid content-start gap-6">
			<section id="terms">
				<PanelHead title="Terms" />
				{@render words(TERMS)}
			</section>
		</div>
	</div>
</Screen>
