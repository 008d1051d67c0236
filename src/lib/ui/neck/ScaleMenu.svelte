<script lang="ts">
	import { circleOf } from '$core/chart';
	import { proseSigns } from '$core/chord';
	import { buildScale, parseDegrees, SCALE_NAMES, type Scale } from '$core/harmony';
	import { noteName, parseNote, pitchClass } from '$core/pitch';
	import { useTune } from '$lib/state/open-tune.svelte';
	import { saveHeaders } from '$lib/state/tune-headers';
	import ChevronDown from '@lucide/svelte/icons/chevron-down';
	import { Popover } from 'bits-ui';
	import Field from '../Field.svelte';
	import { scaleTitle } from '../words';

	/** The scale in use, and the choice of another: from the library, one's own, or by degrees. */
	let { scale }: { scale: Scale } = $props();
	const open = useTune();
	let shown = $state(false);

	const GROUPS = [
		{ name: 'Modes', from: 'major', to: 'locrian' },
		{ name: 'Minor and altered', from: 'harmonic minor', to: 'lydian augmented' },
		{ name: 'Five and six notes', from: 'major pentatonic', to: 'lydian pentatonic' },
		{ name: 'Symmetric', from: 'whole tone', to: 'whole-half diminished' },
		{ name: 'With passing notes', from: 'bebop dominant', to: 'chromatic' }
	].map(({ name, from, to }) => ({
		name,
		scales: SCALE_NAMES.slice(SCALE_NAMES.indexOf(from), SCALE_NAMES.indexOf(to) + 1)
	}));
	const tonics = $derived.by(() => {
		const circle = circleOf(open.key?.mode ?? 'major').map(String);
		const own = noteName(scale.tonic);
		const at = circle.findIndex((name) => pcOf(name) === pitchClass(scale.tonic));
		return circle.map((name, i) => (i === at ? own : name));
	});
	function pcOf(name: string): number {
		const note = parseNote(name);
		return note ? pitchClass(note) : -1;
	}
	const mine = $derived(
		open.player.scales.find(({ degrees }) => buildScale(scale.tonic, degrees)?.name === scale.name)
	);
	/** Names and degree lists may differ for one scale; the value is what the header would say. */
	const value = $derived(mine?.degrees ?? scale.name);
	const known = $derived(mine !== undefined || SCALE_NAMES.includes(scale.name));

	let typed = $state('');
	let wrong = $state('');
	function use(tonic: string, name: string): void {
		const note = parseNote(tonic);
		const built = note && buildScale(note, name);
		if (!built) return;
		const said = `${scaleTitle(built, open.player.scales)} is in use.`;
		void saveHeaders(open, { scale: `${tonic} ${name}` }, said);
	}
	function take(event: SubmitEvent): void {
		event.preventDefault();
		const degrees = parseDegrees(typed);
		if (!degrees) {
			wrong = 'Write degrees upward from 1, as in 1 b3 4 5 b7.';
			return;
		}
		wrong = '';
		typed = '';
		use(noteName(scale.tonic), degrees);
	}
</script>

<Popover.Root bind:open={shown}>
	<Popover.Trigger
		class="pick"
		aria-label="Scale in use: {scaleTitle(scale, open.player.scales)}. Change it"
		>{scaleTitle(scale, open.player.scales)}
		<ChevronDown size={15} aria-hidden="true" /></Popover.Trigger
	>
	<Popover.Portal>
		<Popover.Content
			role="dialog"
			aria-label="Scale in use"
			class="pop"
			side="top"
			align="start"
			sideOffset={6}
			collisionPadding={12}
		>
			<div class="pair">
				<label
					>Tonic
					<select
						value={noteName(scale.tonic)}
						onchange={(event) => use(event.currentTarget.value, value)}
					>
						{#each tonics as name (name)}<option value={name}>{proseSigns(name)}</option>{/each}
					</select></label
				>
				<label
					>Scale
					<select
						{value}
						onchange={(event) => use(noteName(scale.tonic), event.currentTarget.value)}
					>
						{#if !known}<option value={scale.name}>{proseSigns(scale.name)}</option>{/if}
						{#if open.player.scales.length > 0}
							<optgroup label="Your own">
								{#each open.player.scales as own, i (i)}<option value={own.degrees}
										>{own.name}</option
									>{/each}
							</optgroup>
						{/if}
						{#each GROUPS as group (group.name)}
							<optgroup label={group.name}>
								{#each group.scales as name (name)}<option value={name}>{proseSigns(name)}</option
									>{/each}
							</optgroup>
						{/each}
					</select></label
				>
			</div>
			<form onsubmit={take} novalidate>
				<Field label="Or its degrees" placeholder="1 b3 4 5 b7" bind:value={typed} {wrong} />
				<button type="submit" class="act">Use it</button>
			</form>
			<div class="ends">
				{#if open.chart.headers.scale}
					<button
						type="button"
						class="quiet"
						onclick={() =>
							void saveHeaders(open, { scale: null }, 'The scale follows the key again.')}
						>Follow the key</button
					>
				{/if}
				<a class="quiet" href="/settings#scales">Keep own scales</a>
			</div>
		</Popover.Content>
	</Popover.Portal>
</Popover.Root>
