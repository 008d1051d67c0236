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
	import KeyCap from '$lib/ui/parts/KeyCap.svelte';

	const names = $derived(prefs.current.labels === 'names');
</script>

<div class="flex flex-wrap gap-x-4 gap-y-0" role="group" aria-label="What the neck shows">
	{#each LAYERS as { pref, key, name } (pref)}
		<button
			type="button"
			class="inline-flex min-h-7 items-center gap-1.5 border-b-3 border-transparent text-reason text-second hover:text-ink aria-pressed:border-b-ink aria-pressed:font-bold aria-pressed:text-ink max-tablet:min-h-11 now:aria-pressed:border-b-now next:aria-pressed:border-b-next"
			data-tense={name}
			aria-pressed={prefs.current[pref]}
			aria-keyshortcuts={key}
			onclick={() => prefs.toggle(pref)}
			><span class="text-ink"><KeyCap keys={key} /></span>
			{name}</button
		>
	{/each}
	<button
		class="inline-flex min-h-7 items-center gap-1.5 border-b-3 border-transparent text-reason text-second hover:text-ink max-tablet:min-h-11"
		type="button"
		aria-keyshortcuts="N"
		onclick={() => prefs.set('labels', names ? 'roles' : 'names')}
		><span class="text-ink"><KeyCap keys="N" /></span>
		{names ? 'names' : 'roles'}</button
	>
</div>
