<script lang="ts">
	import { SKILLS, type SkillName } from '$core/practice';
	import type { InputKind } from '$lib/api/practice-schema';
	import type { DrillDesk } from '$lib/state/drill-desk.svelte';
	import { INPUT_NAMES, type Listening } from '$lib/state/listening.svelte';
	import Choice from '../Choice.svelte';

	/** What plays: a plugged instrument, the microphone, the neck and keys, a file, the simulated player. */
	let { desk, listening }: { desk: DrillDesk; listening: Listening } = $props();
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
	const skills = (Object.keys(SKILLS) as SkillName[]).map((value) => ({
		value,
		name: SKILL_WORDS[value]
	}));
</script>

<div class="input">
	<label
		>Who plays
		<select
			value={listening.kind}
			onchange={(event) => void listening.choose(event.currentTarget.value as InputKind)}
		>
			{#each KINDS as kind (kind)}<option value={kind}>{INPUT_NAMES[kind]}</option>{/each}
		</select></label
	>
	{#if listening.kind === 'simulated'}
		<Choice
			label="How well"
			options={skills}
			value={desk.skill}
			onchange={(skill) => (desk.skill = skill)}
		/>
		<p class="says">It plays the plan through the same ears as you.</p>
	{:else}
		<p class="says" class:trouble={listening.trouble !== null} role="status">{listening.says}</p>
	{/if}
</div>

<style>
	.input {
		display: flex;
		flex-direction: column;
		gap: 8px;
		padding-top: 8px;
	}
	.says {
		font-size: 13px;
		color: var(--second);
	}
	.trouble {
		color: var(--ink);
		font-weight: 700;
	}
</style>
