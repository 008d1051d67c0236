<script lang="ts" module>
	/** What the neck can show, each with its key. */
	export const LAYERS = [
		{ pref: 'layerScale', key: 'A', name: 'scale' },
		{ pref: 'layerNow', key: 'W', name: 'now' },
		{ pref: 'layerNext', key: 'E', name: 'next' },
		{ pref: 'layerFingers', key: 'G', name: 'fingers' }
	] as const;
</script>

<script lang="ts">
	import { prefs } from '$lib/state/prefs.svelte';
	import KeyCap from '../KeyCap.svelte';

	const names = $derived(prefs.current.labels === 'names');
</script>

<div class="layers" role="group" aria-label="What the neck shows">
	{#each LAYERS as { pref, key, name } (pref)}
		<button
			type="button"
			class={name}
			aria-pressed={prefs.current[pref]}
			aria-keyshortcuts={key}
			onclick={() => prefs.toggle(pref)}><KeyCap keys={key} /> {name}</button
		>
	{/each}
	<button
		type="button"
		aria-keyshortcuts="N"
		onclick={() => prefs.set('labels', names ? 'roles' : 'names')}
		><KeyCap keys="N" /> {names ? 'names' : 'roles'}</button
	>
</div>

<style>
	.layers {
		display: flex;
		flex-wrap: wrap;
		gap: 0 16px;
	}
	button {
		display: inline-flex;
		align-items: center;
		gap: 6px;
		min-height: 28px;
		font-size: 13px;
		color: var(--second);
		border-bottom: 3px solid transparent;
	}
	button :global(kbd) {
		color: var(--ink);
	}
	button:hover {
		color: var(--ink);
	}
	[aria-pressed='true'] {
		color: var(--ink);
		font-weight: 700;
		border-bottom-color: var(--ink);
	}
	.now[aria-pressed='true'] {
		border-bottom-color: var(--now);
	}
	.next[aria-pressed='true'] {
		border-bottom-color: var(--next);
	}
	@media (max-width: 640px) {
		button {
			min-height: 44px;
		}
	}
</style>
