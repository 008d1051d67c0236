<script lang="ts">
	import { proseSigns } from '$core/chord';
	import { parseDegrees } from '$core/harmony';
	import type { PlayerStore } from '$lib/state/player-setup.svelte';
	import { offerBack } from '$lib/state/deletion';
	import Field from '../Field.svelte';

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

<section id="scales">
	<div class="section-head">
		<h2>Own scales</h2>
		<small>by degrees, for every tonic</small>
	</div>
	<ul>
		{#each store.player.scales as scale, i (i)}
			<li>
				<b>{scale.name}</b>
				<span>{proseSigns(scale.degrees)}</span>
				<button
					class="quiet"
					type="button"
					aria-label="Delete {scale.name}"
					onclick={() => void remove(scale.name)}>Delete</button
				>
			</li>
		{/each}
	</ul>
	<form onsubmit={add} novalidate>
		<Field label="Name" placeholder="Night ferry" maxlength={80} bind:value={name} {wrong} />
		<Field label="Degrees" placeholder="1 2 b3 5 6" bind:value={degrees} />
		<button type="submit" class="act">Add it</button>
	</form>
</section>

<style>
	section {
		scroll-margin-top: 72px;
	}
	li {
		display: grid;
		grid-template-columns: 190px 1fr auto;
		align-items: center;
		gap: 16px;
		min-height: 46px;
		border-bottom: 1px solid var(--hair);
	}
	li span {
		color: var(--second);
	}
	form {
		display: grid;
		grid-template-columns: 1fr 1fr auto;
		gap: 16px;
		align-items: start;
		padding-top: 12px;
	}
	button[type='submit'] {
		margin-top: 20px;
	}
	@media (max-width: 640px) {
		form {
			grid-template-columns: 1fr;
		}
	}
</style>
