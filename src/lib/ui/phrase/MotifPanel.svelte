<script lang="ts">
	import { PHRASE } from '$lib/words/keys/phrase';
	import { field } from '$lib/ui/parts/field';
	import PanelHead from '$lib/ui/parts/PanelHead.svelte';
	import Button from '$lib/ui/parts/Button.svelte';
	import type { Basis } from '$core/phrase';
	import { Refusal } from '$lib/state/api';
	import type { PhraseDesk } from '$lib/state/phrase-desk.svelte';
	import { toast } from 'svelte-sonner';
	import Choice from '$lib/ui/parts/Choice.svelte';
	import KeyCap from '$lib/ui/parts/KeyCap.svelte';
	import SlideChoice from '../SlideChoice.svelte';

	/** The motif that is worked on: its name, its text, what its steps count from, and where it came from. */
	type Props = {
		desk: PhraseDesk;
		playing: boolean;
		/** A motif is being played in: nothing else is done with this one. */
		busy: boolean;
		/** The text is open for writing. */
		writing: boolean;
		onhear: () => void;
		onplayin: () => void;
		onwrite: (open: boolean) => void;
	};
	let { desk, playing, busy, writing, onhear, onplayin, onwrite }: Props = $props();
	const uid = $props.id();

	const BASES = [
		{ value: 'role', name: 'Roles' },
		{ value: 'degree', name: 'Degrees' },
		{ value: 'interval', name: 'Semitones' }
	] as const;
	const STEPS: Record<Basis, string> = {
		role: 'R 3 ♭7: roles, so that each chord bends it to its own tones',
		degree: '1 2 ♭3: degrees of the scale from the chord’s root',
		interval: '0 4 7: semitones above the root, the same on every chord'
	};
	/** What was typed and could not be read; it stays until it can. */
	let typed: string | null = $state(null);
	let wrong = $state('');
	const text = $derived(typed ?? desk.text ?? '');
	function write(line: string): void {
		wrong = desk.write(line) ?? '';
		typed = wrong === '' ? null : line;
	}
	function rebase(basis: Basis): void {
		[typed, wrong] = [null, ''];
		desk.setBasis(basis);
	}
	export async function store(fresh = false): Promise<void> {
		try {
			await desk.store(fresh);
			toast(`“${desk.name}” is stored.`, { duration: 2500 });
		} catch (error) {
			toast(
				error instanceof Refusal
					? error.message
					: 'Storing failed. The motif is still here; try again.'
			);
		}
	}
	const focus = (field: HTMLInputElement) => field.focus();

	const look = field();
</script>

<section>
	<PanelHead title="Motif" note={desk.dirty ? 'not stored yet' : 'stored'} />
	<label class={look.label()}
		>Name <input
			class={look.control({ class: 'font-bold' })}
			type="text"
			maxlength="80"
			value={desk.name}
			onchange={(event) => desk.rename(event.currentTarget.value.trim() || 'Motif')}
		/></label
	>
	<p
		class="not-[&[hidden]]:flex not-[&[hidden]]:flex-wrap not-[&[hidden]]:gap-x-4 not-[&[hidden]]:gap-y-0.5 not-[&[hidden]]:pt-1.5"
		hidden={busy}
	>
		<Button look="quiet" onclick={onhear}
			>{playing ? 'Stop' : 'Hear it'}
			<KeyCap of={PHRASE.hear} /></Button
		>
		<Button look="quiet" disabled={!desk.dirty} onclick={() => void store()}
			>Store <KeyCap of={PHRASE.store} /></Button
		>
		{#if desk.shelf.from && desk.dirty}
			<Button look="quiet" onclick={() => void store(true)}>Store as new</Button>
		{/if}
		<Button look="quiet" onclick={onplayin}>Play it in <KeyCap of={PHRASE.playIn} /></Button>
		<Button look="quiet" aria-expanded={writing} onclick={() => onwrite(!writing)}
			>Write it <KeyCap of={PHRASE.text} /></Button
		>
	</p>
	{#if writing}
		<div class="grid grid-cols-[minmax(0,1fr)] gap-1.5 pt-2">
			<label class={look.label()}
				>In eighths: - holds, . rests, a comma divides
				<input
					type="text"
					class={look.control({ class: 'font-mono font-bold' })}
					spellcheck="false"
					autocomplete="off"
					autocapitalize="off"
					maxlength="2000"
					value={text}
					aria-invalid={wrong !== ''}
					aria-describedby="{uid}-wrong"
					{@attach focus}
					onchange={(event) => write(event.currentTarget.value)}
					onkeydown={(event) => {
						if (event.key === 'Escape') onwrite(false);
					}}
				/></label
			>
			{#if desk.text === null && typed === null}
				<p class="text-reason text-second">
					The rhythm is finer than an eighth can be divided: write it anew.
				</p>
			{/if}
			<p id="{uid}-wrong" class="text-reason font-bold empty:hidden" role="alert">{wrong}</p>
			<Choice label="Kept as" options={BASES} value={desk.motifBasis} onchange={rebase} />
			<p class="text-reason text-second">{STEPS[desk.motifBasis]}</p>
			<SlideChoice value={desk.open.slide} onchange={(slide) => (desk.open.slide = slide)} />
		</div>
	{/if}
</section>
