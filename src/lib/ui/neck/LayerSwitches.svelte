<script lang="ts">
	import Toggle from '$lib/ui/parts/Toggle.svelte';
	import { prefs } from '$lib/state/prefs.svelte';
	import KeyCap from '$lib/ui/parts/KeyCap.svelte';
	import { EVERYWHERE } from '$lib/words/keys/everywhere';
	import { shortcutOf } from '$lib/words/keys/key-map';
	import { LAYER_KEYS } from '$lib/words/keys/neck';

	/** What the neck can show, each with its key. */
	const LAYERS = [
		{ pref: 'layerScale', name: 'scale' },
		{ pref: 'layerNow', name: 'now' },
		{ pref: 'layerNext', name: 'next' },
		{ pref: 'layerFingers', name: 'fingers' }
	] as const;

	const names = $derived(prefs.current.labels === 'names');
</script>

<div class="flex flex-wrap gap-x-4 gap-y-0" role="group" aria-label="What the neck shows">
	{#each LAYERS as { pref, name } (pref)}
		<Toggle
			class="inline-flex min-h-7 items-center gap-1.5 border-b-3 border-transparent text-reason text-second hover:text-ink aria-pressed:border-b-ink aria-pressed:font-bold aria-pressed:text-ink max-tablet:min-h-11 now:aria-pressed:border-b-now next:aria-pressed:border-b-next"
			data-tense={name}
			pressed={prefs.current[pref]}
			aria-keyshortcuts={shortcutOf(LAYER_KEYS[pref])}
			onchange={() => prefs.toggle(pref)}
			><span class="text-ink"><KeyCap of={LAYER_KEYS[pref]} /></span>
			{name}</Toggle
		>
	{/each}
	<button
		class="inline-flex min-h-7 items-center gap-1.5 border-b-3 border-transparent text-reason text-second hover:text-ink max-tablet:min-h-11"
		type="button"
		aria-keyshortcuts={shortcutOf(EVERYWHERE.labels)}
		onclick={() => prefs.set('labels', names ? 'roles' : 'names')}
		><span class="text-ink"><KeyCap of={EVERYWHERE.labels} /></span>
		{names ? 'names' : 'roles'}</button
	>
</div>
