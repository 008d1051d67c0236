<script lang="ts">
	import { fetched } from '$lib/state/fetched';
	import Select from '$lib/ui/parts/Select.svelte';
	import { popover, POP_WIDTH } from '$lib/ui/parts/popover';
	import Button from '$lib/ui/parts/Button.svelte';
	import { proseSigns } from '$core/chord';
	import { parseTuning, presetTuning, TUNING_IDS, tuningText } from '$core/neck';
	import { useTune } from '$lib/state/open-tune.svelte';
	import { saveHeaders } from '$lib/state/tune-headers';
	import ChevronDown from '@lucide/svelte/icons/chevron-down';
	import { Popover } from 'bits-ui';
	import { tuningTitle } from '$lib/words/words';

	/** The instrument of this tune, and the choice of another: a preset, one's own, any tuning, a capo. */
	const open = useTune();
	let shown = $state(false);
	const CAPOS = Array.from({ length: 13 }, (_, i) => i);

	const soundOf = (tuning: string) => parseTuning(tuning)?.open.join() ?? '';
	const here = $derived(tuningText(open.instrument));
	const own = $derived(open.player.instruments);
	const preset = $derived(TUNING_IDS.find((id) => soundOf(presetTuning(id)) === soundOf(here)));
	const mine = $derived(own.find((entry) => soundOf(entry.tuning) === soundOf(here)));
	const title = $derived(mine?.name ?? (preset ? tuningTitle(preset) : here.replace(/-?\d/g, '')));
	const presets = $derived(
		TUNING_IDS.filter(
			(id) => !own.some((entry) => soundOf(entry.tuning) === soundOf(presetTuning(id)))
		)
	);
	const value = $derived(mine ? mine.tuning : (preset ?? here));

	const tunings = $derived([
		...(!mine && !preset ? [{ value: here, name: here }] : []),
		...own.map((entry) => ({ value: entry.tuning, name: entry.name, group: 'Your own' })),
		...presets.map((id) => ({ value: id as string, name: tuningTitle(id), group: 'Tunings' }))
	]);
	const capos = CAPOS.map((fret) => ({
		value: String(fret),
		name: fret === 0 ? 'none' : `fret ${fret}`
	}));
	function use(tuning: string): void {
		// The usual guitar needs no line.
		const line = tuning === 'standard' ? null : tuning;
		const name = own.find((entry) => entry.tuning === tuning)?.name ?? tuningTitle(tuning);
		void saveHeaders(open, { tuning: line }, `Tuned: ${proseSigns(name)}.`);
	}
	const take = (text: string): undefined =>
		void use(
			text
				.trim()
				.split(/[\s,]+/)
				.join(' ')
		);

	const look = popover();
</script>

<Popover.Root bind:open={shown}>
	<Popover.Trigger
		class={look.pick()}
		aria-label="Instrument: {title}{open.instrument.capo > 0
			? `, capo ${open.instrument.capo}`
			: ''}. Change it"
		>{proseSigns(title)}{open.instrument.capo > 0 ? `, capo ${open.instrument.capo}` : ''}
		<ChevronDown size={15} aria-hidden="true" /></Popover.Trigger
	>
	<Popover.Portal>
		<Popover.Content
			role="dialog"
			aria-label="Instrument"
			class={look.pop({ class: POP_WIDTH })}
			align="end"
			sideOffset={6}
			collisionPadding={12}
		>
			<div class="grid grid-cols-[auto_minmax(0,1fr)] gap-4">
				<Select label="Tuning" finds options={tunings} {value} onchange={use} />
				<Select
					label="Capo"
					options={capos}
					value={String(open.instrument.capo)}
					onchange={(fret) => {
						const said = fret === '0' ? 'The capo is off.' : `Capo on fret ${fret}.`;
						void saveHeaders(open, { capo: fret === '0' ? null : fret }, said);
					}}
				/>
			</div>
			<p class="text-reason text-second">
				{proseSigns(here)}, {open.instrument.frets} frets, {open.instrument.scaleLengthMm} mm
			</p>
			{#await fetched(() => import('$lib/ui/parts/LineForm.svelte')) then { default: LineForm }}
				{#await fetched(() => import('$lib/api/form-schema')) then { tuningForm }}
					<LineForm
						schema={tuningForm}
						label="Or any tuning"
						placeholder="D2 A2 D3 F#3 A3 D4"
						maxlength={80}
						action="Use it"
						ontake={take}
					/>
				{/await}
			{/await}
			<Button look="quiet" href="/settings#instruments">Keep own instruments</Button>
		</Popover.Content>
	</Popover.Portal>
</Popover.Root>
