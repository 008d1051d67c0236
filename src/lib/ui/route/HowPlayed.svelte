<script lang="ts">
	import { isReached, type Playing } from '$core/route';
	import { bendWords, joinedTo } from '$lib/draw/played-signs';
	import type { NoteAnswer } from '$lib/api/plan-schema';
	import { useKeys } from '$lib/state/keys';
	import type { LineSelection } from '$lib/state/line-selection.svelte';
	import type { LineWriter } from '$lib/state/line-writer.svelte';
	import {
		neighbourOf,
		nextBend,
		nextGrace,
		nextHammer,
		nextSlide,
		nextSound,
		nextStroke,
		type PlayContext,
		togglePreBend,
		toggleRelease,
		toggleTrill,
		toggleVibrato
	} from '$lib/state/play-edit';
	import { prefs } from '$lib/state/prefs.svelte';
	import type { RoutePlan } from '$lib/state/route-plan.svelte';
	import { PLAYING } from '$lib/words/keys/playing';
	import { plainName } from '$core/pitch';
	import KeyCap from '$lib/ui/parts/KeyCap.svelte';
	import PanelHead from '$lib/ui/parts/PanelHead.svelte';

	/** How the picked notes are played: each way by a key, and what it is now. */
	type Props = { plan: RoutePlan; selection: LineSelection; writer: LineWriter };
	let { plan, selection, writer }: Props = $props();
	const note = $derived(selection.leading);
	const joined = $derived(joinedTo(plan.line));
	const contextOf = (of: NoteAnswer): PlayContext => ({
		from: joined.get(of)?.fret ?? null,
		fret: of.fret,
		neighbour: neighbourOf(plan.scales[of.chord] ?? null, of.midi)
	});
	type Change = (note: Partial<Playing>, context: PlayContext) => Partial<Playing>;
	const play = (change: Change) => selection.play((of) => change(of, contextOf(of)));

	const has = (one: NonNullable<Playing['also']>[number]) => note?.also?.includes(one) ?? false;
	const slide = $derived(
		!note
			? ''
			: note.technique === 'slide'
				? `from fret ${note.grace ?? joined.get(note)?.fret ?? ''}`
				: note.technique === 'slide-from-below'
					? 'from below'
					: note.technique === 'slide-from-above'
						? 'from above'
						: has('slide-away-up')
							? 'away, up'
							: has('slide-away-down')
								? 'away, down'
								: ''
	);
	const hammer = $derived(
		note?.technique === 'hammer-on'
			? 'hammered'
			: note?.technique === 'pull-off'
				? 'pulled'
				: note?.technique === 'tap'
					? 'tapped'
					: ''
	);
	const curled = $derived(note?.technique === 'curl' || has('curl'));
	const bend = $derived(
		note?.bend !== undefined
			? `${bendWords(note.bend)}${note.technique === 'pre-bend' ? ', before the stroke' : ''}${has('release') ? ', and down' : ''}`
			: curled
				? '¼'
				: note && note.technique === 'bend' && isReached(note)
					? 'from the note before'
					: ''
	);
	const trilled = $derived(note?.technique === 'trill' || has('trill'));
	const trill = $derived(
		note && trilled
			? `with ${prefs.name(plainName(note.midi + (note.trill ?? contextOf(note).neighbour)))}`
			: ''
	);
	const sound = $derived(
		has('staccato')
			? 'short'
			: has('dead')
				? 'dead'
				: has('let-ring')
					? 'rings'
					: has('palm-mute')
						? 'palm mute'
						: ''
	);
	const stroke = $derived(has('down-stroke') ? 'down' : has('up-stroke') ? 'up' : '');
	const shaken = $derived(note?.technique === 'vibrato' || has('vibrato') ? 'on' : '');
	const grace = $derived(note?.grace === undefined ? '' : `fret ${note.grace}`);
	const rows = $derived([
		{ of: PLAYING.slide, name: 'Slide', now: slide, change: nextSlide },
		{ of: PLAYING.hammer, name: 'Hammer, pull, tap', now: hammer, change: nextHammer },
		{ of: PLAYING.bend, name: 'Bend ¼ ½ 1 1½', now: bend, change: nextBend },
		...(note?.bend === undefined
			? []
			: [
					{ of: PLAYING.release, name: 'Let it down', now: '', change: toggleRelease },
					{ of: PLAYING.before, name: 'Bent before', now: '', change: togglePreBend }
				]),
		{ of: PLAYING.vibrato, name: 'Vibrato', now: shaken, change: toggleVibrato },
		{ of: PLAYING.trill, name: 'Trill', now: trill, change: toggleTrill },
		{ of: PLAYING.sound, name: 'Short, dead, ringing, muted', now: sound, change: nextSound },
		{ of: PLAYING.stroke, name: 'Stroke', now: stroke, change: nextStroke },
		{ of: PLAYING.grace, name: 'Grace note', now: grace, change: nextGrace }
	]);
	useKeys(
		PLAYING,
		{
			slide: () => play(nextSlide),
			hammer: () => play(nextHammer),
			bend: () => play(nextBend),
			release: () => play(toggleRelease),
			before: () => play(togglePreBend),
			vibrato: () => play(toggleVibrato),
			trill: () => play(toggleTrill),
			sound: () => play(nextSound),
			stroke: () => play(nextStroke),
			grace: () => play(nextGrace)
		},
		{ level: 'part', when: () => selection.size > 0 && !writer.on }
	);
</script>

<section aria-label="How it is played">
	<PanelHead title="How it is played" />
	{#each rows as { of, name, now, change } (name)}
		<button
			type="button"
			data-on={now !== '' || undefined}
			class="flex min-h-8 w-full items-center gap-2.5 border-b border-hair text-left leading-tight hover:bg-lit data-on:bg-lit data-on:font-bold"
			onclick={() => play(change)}
		>
			<KeyCap {of} />
			<span class="flex-auto">{name}</span>
			<span class="text-reason font-normal text-second">{now}</span>
		</button>
	{/each}
</section>
