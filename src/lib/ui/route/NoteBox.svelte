<script lang="ts">
	import { NOTES } from '$lib/words/keys/route';
	import Button from '$lib/ui/parts/Button.svelte';
	import { roleWords, proseSigns } from '$core/chord';
	import type { LineSelection } from '$lib/state/line-selection.svelte';
	import { useTune } from '$lib/state/open-tune.svelte';
	import { prefs } from '$lib/state/prefs.svelte';
	import type { RoutePlan } from '$lib/state/route-plan.svelte';
	import Choice from '$lib/ui/parts/Choice.svelte';
	import KeyCap from '$lib/ui/parts/KeyCap.svelte';
	import RoleMark from '../RoleMark.svelte';
	import type { RouteActions } from './route-actions.svelte';
	import HowPlayed from './HowPlayed.svelte';
	import { playedWords } from './line-words';

	/** The notes of the line that are picked: what they are, and which finger plays them. */
	type Props = { plan: RoutePlan; selection: LineSelection; actions: RouteActions };
	let { plan, selection, actions }: Props = $props();
	const open = useTune();
	const note = $derived(selection.leading);
	const many = $derived(selection.size);
	const how = $derived(note ? playedWords(note) : '');
	const chord = $derived(note ? (open.chart.events[note.chord]?.symbol ?? '') : '');
	const FINGERS = [
		{ value: 'hand', name: 'As the hand lies' },
		{ value: '1', name: '1' },
		{ value: '2', name: '2' },
		{ value: '3', name: '3' },
		{ value: '4', name: '4' }
	] as const;
	const own = $derived(note ? plan.ownFinger(note) : null);
	const what = $derived.by(() => {
		if (!note) return '';
		if (note.role) return `${roleWords(note.role)} of ${proseSigns(chord)}`;
		const kind = { passing: 'scale note', chromatic: 'chromatic', enclosure: 'enclosure' };
		return `${kind[note.kind as keyof typeof kind] ?? 'note'} over ${proseSigns(chord)}`;
	});
</script>

{#if note}
	<section class="grid gap-2 border-b border-hair pt-2 pb-2.5" aria-label="The note that is picked">
		<div class="flex items-center gap-2.5">
			{#if note.role}
				<svg width="40" height="40" viewBox="-20 -20 40 40" aria-hidden="true">
					<RoleMark
						ink={note.role}
						label={prefs.label({ role: note.role, name: note.name, pc: note.midi % 12 })}
						r={14}
						target={note.kind === 'target'}
					/>
				</svg>
			{/if}
			<p class="grid leading-snug">
				<b>{prefs.name(note.name)}, {what}</b>
				<small class="text-reason text-second"
					>string {note.string}, {note.fret === 0 ? 'open' : `fret ${note.fret}`}{how === ''
						? ''
						: `, ${how}`}{many > 1 ? `, and ${many - 1} more picked` : ''}</small
				>
			</p>
		</div>
		{#if note.fret > 0}
			<Choice
				label="Finger{own === null && note.finger
					? ` (the hand plays it with ${note.finger})`
					: ''}"
				options={FINGERS}
				value={own === null ? 'hand' : (String(own) as '1')}
				onchange={(value) =>
					plan.setFinger(selection.notes, value === 'hand' ? null : Number(value))}
			/>
		{/if}
		<div class="flex flex-wrap justify-between gap-2">
			<Button look="quiet" onclick={() => selection.insert()}
				>Add after <KeyCap of={NOTES.insert} /></Button
			>
			<Button look="quiet" onclick={() => selection.remove()}
				>Take out <KeyCap of={NOTES.remove} /></Button
			>
			<Button look="quiet" onclick={() => selection.clear()}
				>Let go <KeyCap of={NOTES.letGo} /></Button
			>
			<Button look="quiet" onclick={() => actions.copy()}>Copy way</Button>
			<Button look="quiet" onclick={() => actions.copy('bar')}>Copy bar</Button>
			<Button look="quiet" disabled={!selection.canPaste} onclick={() => selection.paste()}
				>Paste</Button
			>
		</div>
	</section>
	<HowPlayed {plan} {selection} writer={actions.writer} />
{/if}
