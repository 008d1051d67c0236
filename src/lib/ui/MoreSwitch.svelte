<script lang="ts">
	import { prefs } from '$lib/state/prefs.svelte';
	import Button from '$lib/ui/parts/Button.svelte';
	import KeyCap from '$lib/ui/parts/KeyCap.svelte';
	import { EVERYWHERE } from '$lib/words/keys/everywhere';

	/** What is needed less often comes and goes with one key, on every screen that has some. */
</script>

<Button look="quiet" aria-pressed={prefs.current.more} onclick={() => prefs.toggle('more')}
	>{prefs.current.more ? 'Less' : 'More'} <KeyCap of={EVERYWHERE.more} /></Button
>
