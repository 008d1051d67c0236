<script lang="ts">
	import Select from '$lib/ui/parts/Select.svelte';
	import Button from '$lib/ui/parts/Button.svelte';
	import { clamp } from '$core/kernel';
	import { signs } from '$core/chord';
	import { plainName } from '$core/pitch';
	import { SKILLS, type InputKind, type Skill, type SkillName } from '$core/practice';
	import type { DrillDesk } from '$lib/state/drill/drill-desk.svelte';
	import { INPUT_NAMES } from '$lib/state/input-words';
	import { inputPrefs, type Listening } from '$lib/state/listening.svelte';
	import { SKILL_BOUNDS } from '$lib/state/drill/simulated-player.svelte';
	import Choice from '$lib/ui/parts/Choice.svelte';
	import { plural } from '$lib/words/words';

	/** What plays, how loud it goes in, and how late; a microphone is tried for the band's own sound. */
	type Props = { desk: DrillDesk; listening: Listening; onfile: (file: File) => void };
	let { desk, listening, onfile }: Props = $props();
	const KINDS: readonly Exclude<InputKind, 'hand' | 'file'>[] = [
		'midi',
		'microphone',
		'neck',
		'simulated'
	];
	const SKILL_WORDS: Record<SkillName, string> = {
		beginner: 'Begins',
		steady: 'Steady',
		sure: 'Sure'
	};
	const skills: { value: SkillName | ''; name: string }[] = (
		Object.keys(SKILLS) as SkillName[]
	).map((value) => ({ value, name: SKILL_WORDS[value] }));
	const PARTS: readonly { part: keyof Skill; name: string; unit: string }[] = [
		{ part: 'spreadMs', name: 'Timing scatters by', unit: 'ms' },
		{ part: 'biasMs', name: 'Plays late by', unit: 'ms' },
		{ part: 'wrongShare', name: 'Wrong notes', unit: '%' },
		{ part: 'silentShare', name: 'Left out', unit: '%' },
		{ part: 'hesitationMs', name: 'Far jumps, a fret', unit: 'ms' },
		{ part: 'seed', name: 'Seed of the next pass', unit: '' }
	];
	const playing = $derived(desk.pass !== null);
	const { measuring } = $derived(listening);
	const pitch = $derived(
		listening.kind === 'microphone' ? (listening.meter?.pitch ?? null) : listening.struck
	);
	const heard = $derived(
		pitch === null
			? '–'
			: `${signs(plainName(Math.round(pitch) % 12))}${Math.floor(Math.round(pitch) / 12) - 1}`
	);
	/** −60 dB is an empty meter, 0 dB a full one. */
	const level = $derived(listening.meter ? clamp((listening.meter.level + 60) / 60, 0, 1) : 0);
	const latency = $derived(inputPrefs.latencyOf(listening.kind));
	const insecure = typeof window !== 'undefined' && !window.isSecureContext;
	let picker: HTMLInputElement | undefined = $state();
</script>

<div class="flex flex-col gap-1.5 pt-2">
	<Select
		label="Who plays"
		options={KINDS.map((kind) => ({ value: kind, name: INPUT_NAMES[kind] }))}
		value={listening.kind}
		disabled={playing}
		onchange={(kind) => void listening.choose(kind)}
	/>
	{#if listening.kind === 'simulated'}
		<Choice
			label="How well"
			options={skills}
			value={desk.simulated.name ?? ''}
			onchange={(name) => name !== '' && desk.simulated.choose(name)}
		/>
		<p class="text-reason text-second">It plays the plan through the same ears as you.</p>
		<details>
			<summary class="cursor-pointer text-reason">Set by hand</summary>
			<div class="grid grid-cols-[1fr_1fr] gap-x-3 gap-y-1.5 pt-1.5">
				{#each PARTS as { part, name, unit } (part)}
					{@const { least, most } = SKILL_BOUNDS[part]}
					{@const times = unit === '%' ? 100 : 1}
					<label class="text-count"
						>{name}
						<span
							><input
								class="inline-block w-19.5"
								type="number"
								disabled={playing}
								min={least * times}
								max={most * times}
								value={Math.round(desk.simulated.skill[part] * times)}
								onchange={(event) =>
									desk.simulated.set(part, event.currentTarget.valueAsNumber / times)}
							/>
							{unit}</span
						></label
					>
				{/each}
			</div>
		</details>
	{:else}
		<p
			class="text-reason text-second data-trouble:font-bold data-trouble:text-ink"
			data-trouble={listening.trouble !== null || undefined}
			role="status"
		>
			{listening.says}
		</p>
		{#if listening.trouble === null}
			<p class="flex items-center gap-3">
				<span
					data-part="heard"
					class="min-w-11.5 font-display text-verdict font-extrabold"
					aria-label="Pitch heard">{heard}</span
				>
				{#if listening.kind === 'microphone'}
					<meter class="h-3.5 flex-1" min="0" max="1" low={0.15} value={level} aria-label="Level"
						>{Math.round(100 * level)} %</meter
					>
				{/if}
			</p>
			{#if listening.kind === 'microphone' && !listening.trusted}
				<p class="text-reason text-second">
					Put headphones on: the microphone must hear you, not the band. Before the first pass four
					clicks try it.
				</p>
			{/if}
			{#if measuring}
				<p role="status">
					{measuring.what === 'latency'
						? 'Play one note on every click'
						: 'Be still for four clicks'}:
					<b class="font-bold text-ink">{measuring.click < 0 ? '…' : measuring.click + 1}</b>
				</p>
			{:else}
				<p class="relative flex flex-wrap items-center gap-x-3.5 gap-y-0">
					{#if listening.kind === 'microphone'}
						<Button look="quiet" disabled={playing} onclick={() => void listening.tryBleed()}
							>Try for bleed</Button
						>
					{/if}
					<Button look="quiet" disabled={playing} onclick={() => void listening.measureLatency()}
						>Measure latency</Button
					>
					<small class="text-count text-second">{plural(latency, 'ms', 'ms')} off</small>
				</p>
			{/if}
			{#if listening.told}
				<p class="text-reason text-second" role="status">
					{listening.told}
					{#if listening.kind === 'microphone' && !listening.trusted}
						<button
							type="button"
							class="font-bold text-ink underline underline-offset-4"
							onclick={() => (listening.trusted = true)}>Play anyway</button
						>
					{/if}
				</p>
			{/if}
		{/if}
	{/if}
	{#if insecure}
		<p class="text-reason text-second">
			Over plain http this device has no microphone and no MIDI here, and its screen may fall
			asleep. The neck, the letters, recordings and your own ear work.
		</p>
	{/if}
	<p class="relative flex flex-wrap items-center gap-x-3.5 gap-y-0">
		<Button look="quiet" disabled={playing} onclick={() => picker?.click()}
			>Judge a recording</Button
		>
		<small class="text-count text-second">WAV, MIDI, or what this browser plays</small>
		<input
			bind:this={picker}
			class="sr-only"
			type="file"
			tabindex="-1"
			aria-label="Recording of a take"
			accept="audio/*,.wav,.mid,.midi"
			onchange={(event) => {
				const [file] = event.currentTarget.files ?? [];
				event.currentTarget.value = '';
				if (file) onfile(file);
			}}
		/>
	</p>
</div>

<style>
	/* Parts of a control that only the browser can name. */
	meter::-webkit-meter-bar {
		border: 1px solid var(--strong);
		border-radius: 0;
		background: var(--paper);
	}
	meter::-webkit-meter-optimum-value,
	meter::-webkit-meter-suboptimum-value {
		background: var(--next);
	}
</style>
