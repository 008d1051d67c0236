<script lang="ts">
	import { prefs } from '$lib/state/prefs.svelte';
	import Toggle from '$lib/ui/parts/Toggle.svelte';
	import KeyCap from '$lib/ui/parts/KeyCap.svelte';
	import { EVERYWHERE } from '$lib/words/keys/everywhere';

	/** What is needed less often comes and goes with one key, on every screen that has some. */
</script>

<Toggle look="quiet" pressed={prefs.current.more} onchange={() => prefs.toggle('more')}
	>{prefs.current.more ? 'Less' : 'More'} <KeyCap of={EVERYWHERE.more} /></Toggle
>
