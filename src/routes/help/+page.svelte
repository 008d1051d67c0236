<script lang="ts">
	import KeyCap from '$lib/ui/KeyCap.svelte';
	import RoleMark from '$lib/ui/RoleMark.svelte';
	import TopBar from '$lib/ui/TopBar.svelte';
	import { KEYS } from '$lib/words/help-keys';
	import { LINES, MARKS, ROWS, SMALL, TERMS } from '$lib/words/help-terms';
</script>

<svelte:head><title>Help · Arc Step</title></svelte:head>
<TopBar title="Help" />
<main id="main" class="screen">
	<h1 class="lead">
		Hear the chords: land on a note of each, on time, and the hand stays where it is.
	</h1>
	<div class="columns">
		<div>
			<section>
				<div class="section-head"><h2>Keys</h2></div>
				{#each KEYS as [where, rows] (where)}
					<h3>{where}</h3>
					<ul>
						{#each rows as [key, does] (key)}<li class="key">
								<span><KeyCap keys={key} /></span><span>{does}</span>
							</li>{/each}
					</ul>
				{/each}
			</section>
		</div>
		<div class="stack">
			<section>
				<div class="section-head">
					<h2>Marks</h2>
					<small>colour says when, shape says what</small>
				</div>
				<ul>
					{#each MARKS as mark (mark.says)}
						<li class="mark">
							<svg width="44" height="40" viewBox="-22 -20 44 40" aria-hidden="true"
								><RoleMark {...mark.marks} label={mark.label} target={mark.target} /></svg
							>
							<span>{mark.says}</span>
						</li>
					{/each}
					{#each SMALL as { path, kind, says } (kind)}
						<li class="mark">
							<svg width="44" height="40" viewBox="-22 -20 44 40" aria-hidden="true"
								><path class={kind} d={path} /></svg
							>
							<span>{says}</span>
						</li>
					{/each}
				</ul>
			</section>
			<section>
				<div class="section-head" id="care"><h2>Care</h2></div>
				<p class="care">
					Warm up. Rest a few minutes in every half hour. Stop when anything hurts, tingles or goes
					numb. Raise tempo and stretch in small steps. Keep amplifier and headphones low enough to
					talk over. Pain that stays is for a clinician, technique for a teacher.
				</p>
			</section>
			<section>
				<div class="section-head"><h2>Terms</h2></div>
				<dl>
					{#each TERMS as [term, says] (term)}<dt>{term}</dt>
						<dd>{says}</dd>{/each}
				</dl>
			</section>
		</div>
		<div class="stack">
			<section>
				<div class="section-head"><h2>Chart text</h2></div>
				<dl>
					{#each ROWS as [text, says] (text)}<dt><code>{text}</code></dt>
						<dd>{says}</dd>{/each}
				</dl>
			</section>
			<section>
				<div class="section-head"><h2>A line as text</h2></div>
				<dl>
					{#each LINES as [text, says] (text)}<dt><code>{text}</code></dt>
						<dd>{says}</dd>{/each}
				</dl>
			</section>
		</div>
	</div>
</main>

<style>
	.lead {
		font-size: 25px;
		padding: 12px 0 18px;
		max-width: 34em;
	}
	.columns {
		display: grid;
		grid-template-columns: repeat(3, minmax(0, 1fr));
		gap: 32px;
	}
	.stack {
		display: grid;
		gap: 24px;
		align-content: start;
	}
	h3 {
		font-size: 15px;
		padding: 12px 0 4px;
	}
	.key {
		display: grid;
		grid-template-columns: 116px 1fr;
		padding: 5px 0;
		border-bottom: 1px solid var(--hair);
	}
	.mark {
		display: grid;
		grid-template-columns: 56px 1fr;
		align-items: center;
		border-bottom: 1px solid var(--hair);
		min-height: 46px;
	}
	.dash,
	.double,
	.bent,
	.plus,
	.move {
		fill: none;
		stroke: var(--ink);
		stroke-width: 2;
	}
	.dash,
	.double {
		stroke: var(--second);
		stroke-width: 4;
	}
	.bent {
		stroke: var(--second);
		stroke-width: 2.5;
		stroke-dasharray: 2.5 2.5;
	}
	.care {
		padding-top: 8px;
		max-width: 34em;
	}
	dl {
		display: grid;
	}
	dt {
		font-weight: 700;
		padding-top: 8px;
	}
	dd {
		color: var(--second);
		padding-bottom: 8px;
		border-bottom: 1px solid var(--hair);
	}
	code {
		font-family: var(--font-mono);
	}
	@media (max-width: 1099px) {
		.columns {
			grid-template-columns: 1fr 1fr;
		}
	}
	@media (max-width: 640px) {
		.columns {
			grid-template-columns: 1fr;
		}
	}
</style>
