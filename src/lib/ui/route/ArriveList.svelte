<script lang="ts">
	import { prefs } from '$lib/state/prefs.svelte';
	import { APPROACH_WORDS, type Approach, type ArrivalOption } from '$core/route';
	import { capital } from '$lib/words/words';

	/** The ways to arrive at a change, the one taken marked; choosing one asks for it. */
	type Props = {
		options: readonly ArrivalOption[];
		taken: Approach | null;
		wished: Approach | null;
		onchoose: (approach: Approach) => void;
	};
	let { options, taken, wished, onchoose }: Props = $props();
	const SHOWN = 4;
	const shown = $derived(
		options.filter((option, i) => i < SHOWN || option.approach === taken).slice(0, SHOWN + 1)
	);
	const notesOf = (option: ArrivalOption): string =>
		option.notes
			.map((note) => `${prefs.name(note.name)} (${note.string}, ${note.fret})`)
			.join(', then ');
</script>

<ul>
	{#each shown as option (option.approach)}
		{@const on = option.approach === taken}
		<li>
			<button
				type="button"
				aria-pressed={on}
				class:on
				onclick={() => onchoose(option.approach)}
				aria-label="{APPROACH_WORDS[option.approach]}: {notesOf(option)}{wished === option.approach
					? ', wished for'
					: ''}"
			>
				<span class="dot" class:on class:wished={wished === option.approach}></span>
				<b>{capital(APPROACH_WORDS[option.approach])}</b>
				<span class="how">{option.notes.map((note) => prefs.name(note.name)).join(', ')}</span>
			</button>
		</li>
	{/each}
</ul>

<style>
	li {
		border-bottom: 1px solid var(--hair);
	}
	button {
		display: grid;
		grid-template-columns: 14px 1fr auto;
		gap: 8px;
		align-items: center;
		width: 100%;
		min-height: 27px;
		text-align: left;
		font-size: 14px;
	}
	button:hover {
		background: var(--lit);
	}
	b {
		font-weight: 400;
	}
	.on b {
		font-weight: 700;
	}
	.dot {
		width: 12px;
		height: 12px;
		border: 1.5px solid var(--ink);
		border-radius: 50%;
	}
	.dot.on {
		background: var(--ink);
	}
	.dot.wished {
		outline: 1.5px solid var(--ink);
		outline-offset: 2px;
	}
	.how {
		font-size: 13px;
		color: var(--second);
	}
</style>
