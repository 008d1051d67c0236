<script lang="ts">
	import type { DrillDesk } from '$lib/state/drill/drill-desk.svelte';
	import { onKeys } from '$lib/state/keys';
	import { toast } from 'svelte-sonner';
	import KeyCap from '$lib/ui/parts/KeyCap.svelte';
	import NoteField from '../NoteField.svelte';

	/** The player's own note on the pass that was just put into the log. */
	let { desk, note }: { desk: DrillDesk; note: string } = $props();
	let editing = $state(false);
	const keys = onKeys({ m: () => (editing = true) });

	async function write(text: string): Promise<void> {
		const trouble = await desk.writeNote(text);
		if (trouble !== null) toast(trouble);
	}
</script>

<svelte:window onkeydown={keys} />
<div class="grid min-h-8.5 grid-cols-[auto_minmax(0,1fr)] items-center gap-3 text-line">
	<span>Note <KeyCap keys="M" /></span>
	<NoteField {note} bind:editing onwrite={(text) => void write(text)} />
</div>
