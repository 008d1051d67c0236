<script lang="ts">
	import { fetched } from '$lib/state/fetched';
	import { GRADE_KEYS } from '$lib/words/keys/drill';
	import PanelHead from '$lib/ui/parts/PanelHead.svelte';
	import Button from '$lib/ui/parts/Button.svelte';
	import { WARM_UPS, WARM_UP_WORDS, type HandGrade } from '$core/practice';
	import type { DrillDesk } from '$lib/state/drill/drill-desk.svelte';
	import type { Listening } from '$lib/state/listening.svelte';
	import { RecordingJudge } from '$lib/state/recording-judge.svelte';
	import { toast } from 'svelte-sonner';
	import KeyCap from '$lib/ui/parts/KeyCap.svelte';
	import Later from '../Later.svelte';
	import { plural } from '$lib/words/words';
	import { HAND_WORDS } from './drill-words';
	import LadderFigure from './LadderFigure.svelte';
	import PassCounts from './PassCounts.svelte';
	import PassNote from './PassNote.svelte';

	/** The ladder, the counts of the last pass, what listens, and what needs no input. */
	type Props = {
		desk: DrillDesk;
		listening: Listening;
		onhand: (grade: HandGrade) => void;
	};
	let { desk, listening, onhand }: Props = $props();
	const recording = new RecordingJudge();
	const playing = $derived(desk.pass !== null);
	const done = $derived(desk.done);
	const grades: readonly HandGrade[] = ['clean', 'nearly', 'not'];

	async function judgeFile(file: File): Promise<void> {
		const trouble = await recording.hear(file, (events) => desk.judgeRecording(events));
		if (trouble !== null) toast(trouble);
	}
</script>

<section>
	<PanelHead title="Tempo ladder" note="{plural(desk.tried.length, 'pass', 'passes')} now" />
	<LadderFigure
		ladder={desk.drill.ladder}
		place={desk.place}
		tried={desk.tried}
		played={desk.tried.at(-1)?.tempo ?? null}
	/>
</section>
{#if done}
	<section>
		<PanelHead
			title="This pass"
			note="at {Math.round(done.tempo)}{done.looped ? ', a loop' : ''}"
		/>
		<PassCounts counts={done.summary.counts} />
		{#if done.stored}<PassNote {desk} note={done.stored.take.note} />{/if}
	</section>
{/if}
<section>
	<PanelHead title="Listening" />
	<div class="min-h-40">
		<Later>
			{#await fetched(() => import('./InputPanel.svelte')) then Panel}
				<Panel.default {desk} {listening} onfile={(file) => void judgeFile(file)} />
			{/await}
		</Later>
	</div>
	{#if recording.share !== null}
		<p class="pt-1.5 text-reason" role="status">
			Listens to the recording: {Math.round(100 * recording.share)} %
			<Button look="quiet" onclick={() => recording.cancel()}>Cancel</Button>
		</p>
	{/if}
</section>
<section>
	<PanelHead title="By ear" note="without any input" />
	<p class="flex flex-wrap gap-2 pt-2">
		{#each grades as grade (grade)}
			<Button tight onclick={() => onhand(grade)}
				>{HAND_WORDS[grade]} <KeyCap of={GRADE_KEYS[grade]} /></Button
			>
		{/each}
	</p>
</section>
<section>
	<PanelHead title="Warm-up" note="at {desk.drill.ladder.start}, out of the plan" />
	<p class="flex flex-wrap gap-2 pt-2">
		{#each WARM_UPS as kind (kind)}
			<Button
				tight
				class="aria-pressed:bg-ink aria-pressed:text-paper"
				disabled={playing}
				aria-pressed={desk.aside === kind}
				data-tip={WARM_UP_WORDS[kind].says}
				onclick={() => void desk.warm(kind)}>{WARM_UP_WORDS[kind].name}</Button
			>
		{/each}
	</p>
</section>
<p class="border-t border-hair pt-2.5 text-reason text-second">
	<b class="text-ink">Care.</b> Raise the tempo in small steps. Rest a few minutes in every half hour.
	Stop when anything hurts, tingles or goes numb.
</p>
