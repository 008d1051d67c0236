<script lang="ts">
	import PanelHead from '$lib/ui/parts/PanelHead.svelte';
	import Button from '$lib/ui/parts/Button.svelte';
	import { proseSigns } from '$core/chord';
	import { parseDegrees } from '$core/harmony';
	import type { PlayerStore } from '$lib/state/player-setup.svelte';
	import { offerBack } from '$lib/state/deletion';
	import Field from '$lib/ui/parts/Field.svelte';

	/** The player's own scales, by degrees; they stand beside the library's on every tune. */
	let { store }: { store: PlayerStore } = $props();
	let name = $state('');
	let degrees = $state('');
	let wrong = $state('');
	const MOST = 64;

	async function add(event: SubmitEvent): Promise<void> {
		event.preventDefault();
		const read = parseDegrees(degrees);
		const { scales } = store.player;
		wrong =
			name.trim() === ''
				? 'Give it a name.'
				: scales.some((scale) => scale.name === name.trim())
					? 'You have a scale of this name.'
					: scales.length >= MOST
						? `At most ${MOST} scales; delete one first.`
						: !read
							? 'Write degrees upward from 1, as in 1 2 b3 5 6.'
							: '';
		if (wrong !== '' || !read) return;
		const done = await store.savePlayer({
			scales: [...scales, { name: name.trim(), degrees: read }]
		});
		if (done) [name, degrees] = ['', ''];
	}
	async function remove(gone: string): Promise<void> {
		const before = store.player.scales;
		const rest = before.filter((scale) => scale.name !== gone);
		if (!(await store.savePlayer({ scales: rest }))) return;
		offerBack(`${gone} is gone.`, () => store.savePlayer({ scales: before }));
	}
</script>

<section class="[scroll-margin-top:72px]" id="scales">
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
		class="grid grid-cols-[1fr_1fr_auto] items-start gap-4 pt-3 max-tablet:grid-cols-[1fr]"
		onsubmit={add}
		novalidate
	>
		<Field label="Name" placeholder="Night ferry" maxlength={80} bind:value={name} {wrong} />
		<Field label="Degrees" placeholder="1 2 b3 5 6" bind:value={degrees} />
		<Button type="submit" class="mt-5">Add it</Button>
	</form>
</section>
