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
		<li class="border-b border-hair">
			<button
				class="grid min-h-6.75 w-full grid-cols-[14px_1fr_auto] items-center gap-2 text-left text-line hover:bg-lit"
				type="button"
				aria-pressed={on}
				onclick={() => onchoose(option.approach)}
				aria-label="{APPROACH_WORDS[option.approach]}: {notesOf(option)}{wished === option.approach
					? ', wished for'
					: ''}"
			>
				<span
					data-part="dot"
					class="size-3 rounded-full border-[1.5px] border-ink data-on:bg-ink data-wished:[outline:1.5px_solid_var(--ink)] data-wished:outline-offset-2"
					data-on={on || undefined}
					data-wished={wished === option.approach || undefined}
				></span>
				<b class="font-normal in-aria-pressed:font-bold"
					>{capital(APPROACH_WORDS[option.approach])}</b
				>
				<span class="text-reason text-second"
					>{option.notes.map((note) => prefs.name(note.name)).join(', ')}</span
				>
			</button>
		</li>
	{/each}
</ul>
