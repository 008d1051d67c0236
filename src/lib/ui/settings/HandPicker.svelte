<script lang="ts">
	import { field } from '$lib/ui/parts/field';
	import PanelHead from '$lib/ui/parts/PanelHead.svelte';
	import { HANDS } from '$core/neck';
	import type { PlayerStore } from '$lib/state/player-setup.svelte';
	import { RadioGroup } from 'bits-ui';
	import { capital } from '$lib/words/words';
	import Choice from '$lib/ui/parts/OptionRow.svelte';

	/** How far the fretting hand stretches: shapes wider than that are told apart. */
	let { store }: { store: PlayerStore } = $props();
	const [LEAST, MOST] = [60, 180];
	const SIZES = Object.entries(HANDS) as [keyof typeof HANDS, number][];
	const size = $derived(SIZES.find(([, mm]) => mm === store.player.handMm)?.[0] ?? 'own');
	let wrong = $state('');

	function setMm(mm: number): void {
		wrong = Number.isInteger(mm) && mm >= LEAST && mm <= MOST ? '' : `From ${LEAST} to ${MOST} mm.`;
		if (wrong === '' && mm !== store.player.handMm) void store.savePlayer({ handMm: mm });
	}

	const look = field();
</script>

<section class="@container" id="hand">
	<PanelHead id="hand-head" title="Hand" note="index to little finger, without strain" />
	<RadioGroup.Root
		value={size}
		onValueChange={(value) => setMm(HANDS[value as keyof typeof HANDS] ?? store.player.handMm)}
		aria-labelledby="hand-head"
	>
		{#each SIZES as [id, mm] (id)}
			<Choice value={id} name={capital(id)} says="{mm} mm" />
		{/each}
	</RadioGroup.Root>
	<div
		class="grid grid-cols-[160px_1fr] items-center gap-x-6 gap-y-1 pt-3 @max-[34rem]:grid-cols-[1fr]"
	>
		<label class={look.label()}
			>Or measured, mm
			<input
				class={look.control()}
				type="number"
				min={LEAST}
				max={MOST}
				value={store.player.handMm}
				aria-invalid={wrong !== ''}
				aria-describedby="hand-wrong"
				onchange={(event) => setMm(event.currentTarget.valueAsNumber)}
			/></label
		>
		<p
			id="hand-wrong"
			class="text-reason font-bold last:col-start-2 last:row-start-1 last:text-reason last:text-second empty:hidden @max-[34rem]:last:col-start-1 @max-[34rem]:last:row-[auto]"
			role="alert"
		>
			{wrong}
		</p>
		<p
			class="last:col-start-2 last:row-start-1 last:text-reason last:text-second @max-[34rem]:last:col-start-1 @max-[34rem]:last:row-[auto]"
		>
			Spread index and little finger on the neck until you feel the first pull, go back a little,
			measure. Shapes up to a quarter wider are called a stretch, wider ones too far. Never force
			one.
		</p>
	</div>
</section>
