<script lang="ts">
	import PanelHead from '$lib/ui/parts/PanelHead.svelte';
	import Button from '$lib/ui/parts/Button.svelte';
	import { proseSigns } from '$core/chord';
	import { parseDegrees } from '$core/harmony';
	import { MOST_SCALES, scaleRecord } from '$lib/api/own-schema';
	import type { PlayerStore } from '$lib/state/player-setup.svelte';
	import { offerBack } from '$lib/state/deletion';
	import { typedForm } from '$lib/state/typed-form';
	import Field from '$lib/ui/parts/Field.svelte';

	/** The player's own scales, by degrees; they stand beside the library's on every tune. */
	let { store }: { store: PlayerStore } = $props();
	const { form, errors, enhance } = typedForm(
		scaleRecord,
		{ name: '', degrees: '' },
		async ({ name, degrees }) => {
			const { scales } = store.player;
			if (scales.some((scale) => scale.name === name))
				return { field: 'name', message: 'You have a scale of this name.' };
			if (scales.length >= MOST_SCALES)
				return { field: 'name', message: `At most ${MOST_SCALES} scales; delete one first.` };
			const read = parseDegrees(degrees);
			if (!read || !(await store.savePlayer({ scales: [...scales, { name, degrees: read }] })))
				return { field: 'name', message: 'It was not kept; try it once more.' };
		},
		{ clears: true }
	);
	async function remove(gone: string): Promise<void> {
		const before = store.player.scales;
		const rest = before.filter((scale) => scale.name !== gone);
		if (!(await store.savePlayer({ scales: rest }))) return;
		offerBack(`${gone} is gone.`, () => store.savePlayer({ scales: before }));
	}
</script>

<section class="@container [scroll-margin-top:72px]" id="scales">
	<PanelHead title="Own scales" note="by degrees, for every tonic" />
	<ul>
		{#each store.player.scales as scale, i (i)}
			<li
				class="grid min-h-11.5 grid-cols-[190px_1fr_auto] items-center gap-4 border-b border-hair"
			>
				<b>{scale.name}</b>
				<span class="text-second">{proseSigns(scale.degrees)}</span>
				<Button
					look="quiet"
					aria-label="Delete {scale.name}"
					onclick={() => void remove(scale.name)}>Delete</Button
				>
			</li>
		{/each}
	</ul>
	<form
		class="grid grid-cols-[1fr_1fr_auto] items-start gap-4 pt-3 @max-[34rem]:grid-cols-[1fr]"
		method="POST"
		use:enhance
		novalidate
	>
		<Field
			label="Name"
			name="name"
			placeholder="Night ferry"
			maxlength={80}
			bind:value={$form.name}
			wrong={$errors.name}
		/>
		<Field
			label="Degrees"
			name="degrees"
			placeholder="1 2 b3 5 6"
			maxlength={60}
			bind:value={$form.degrees}
			wrong={$errors.degrees}
		/>
		<Button type="submit" class="mt-5">Add it</Button>
	</form>
</section>
