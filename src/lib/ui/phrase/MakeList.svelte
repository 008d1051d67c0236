<script lang="ts">
	import PanelHead from '$lib/ui/parts/PanelHead.svelte';
	import Button from '$lib/ui/parts/Button.svelte';
	import { chordAfter } from '$core/harmony';
	import { roleOver } from '$core/phrase';
	import { signs, type Role } from '$core/chord';
	import { LANDINGS, type Making, type PhraseDesk } from '$lib/state/phrase-desk.svelte';
	import Choice from '$lib/ui/parts/Choice.svelte';
	import KeyCap from '$lib/ui/parts/KeyCap.svelte';
	import { MAKE_KEYS } from '$lib/words/keys/phrase';

	/** What can be made of the motif; the chosen one fills the second row. */
	let { desk }: { desk: PhraseDesk } = $props();
	const NAMES: Record<Making, { name: string; says: string }> = {
		answer: { name: 'Answer', says: 'Same opening, another landing.' },
		sequence: { name: 'Sequence', says: 'Moved through the scale, again and again.' },
		symmetric: { name: 'Symmetric', says: 'Moved by one interval, again and again.' },
		displace: { name: 'Later', says: 'The whole motif an eighth later.' },
		reverse: { name: 'Backward', says: 'The pitches from the last to the first.' }
	};
	/** What a landing is called over the chord on which the answer lies: a seventh as that chord has it. */
	function here(role: Role): Role {
		const change = desk.shown[desk.shown.length - 1];
		const { chord, index } = change?.to ?? { chord: null, index: 0 };
		if (!chord) return role;
		const { chart, scales } = desk.context;
		return roleOver(chord, role, scales[index] ?? null, chordAfter(chart, index)).role;
	}
	const STEPS = [
		{ value: '1', name: 'a step up' },
		{ value: '2', name: 'a third up' },
		{ value: '-1', name: 'a step down' },
		{ value: '-2', name: 'a third down' }
	] as const;
	const LEAPS = [
		{ value: '2', name: 'whole tone' },
		{ value: '3', name: 'minor third' },
		{ value: '4', name: 'major third' },
		{ value: '6', name: 'tritone' }
	] as const;
</script>

<section>
	<PanelHead title="Make more of it" />
	{#each Object.entries(NAMES) as [id, { name, says }] (id)}
		{@const making = id as Making}
		<button
			type="button"
			class="grid w-full border-b border-l-4 border-b-hair border-l-transparent py-1 pl-3 text-left aria-pressed:border-l-ink aria-pressed:bg-lit"
			aria-pressed={desk.making === making}
			onclick={() => (desk.making = making)}
		>
			<b class="flex items-center justify-between pr-2">{name} <KeyCap of={MAKE_KEYS[making]} /></b>
			<span class="text-reason text-second">{says}</span>
		</button>
		{#if desk.making === making}
			<div class="grid gap-2 border-b border-hair pt-2 pb-2.5 pl-4">
				{#if making === 'answer'}
					<Choice
						label="Land on"
						options={LANDINGS.map((role) => ({ value: role, name: signs(here(role)) }))}
						value={desk.landing}
						onchange={(role) => (desk.landing = role)}
					/>
				{:else if making === 'sequence'}
					<Choice
						label="Each time"
						options={STEPS}
						value={String(desk.by) as '1'}
						onchange={(by) => (desk.by = Number(by))}
					/>
				{:else if making === 'symmetric'}
					<Choice
						label="Each time up a"
						options={LEAPS}
						value={String(desk.bySemitones) as '3'}
						onchange={(by) => (desk.bySemitones = Number(by))}
					/>
				{/if}
				{#if making === 'sequence' || making === 'symmetric'}
					<Choice
						label="Times in all"
						options={['2', '3', '4', '6', '8'].map((n) => ({ value: n, name: n }))}
						value={String(desk.times)}
						onchange={(times) => (desk.times = Number(times))}
					/>
				{:else}
					<Button look="quiet" onclick={() => desk.keepMade()}>Go on with this one</Button>
				{/if}
			</div>
		{/if}
	{/each}
</section>
