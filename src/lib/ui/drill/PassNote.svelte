<script lang="ts">
	import { PASS } from '$lib/words/keys/drill';
	import type { DrillDesk } from '$lib/state/drill/drill-desk.svelte';
	import { useKeys } from '$lib/state/keys';
	import { toast } from 'svelte-sonner';
	import KeyCap from '$lib/ui/parts/KeyCap.svelte';
	import NoteField from '../NoteField.svelte';

	/** The player's own note on the pass that was just put into the log. */
	let { desk, note }: { desk: DrillDesk; note: string } = $props();
	let editing = $state(false);
	useKeys(PASS, { note: () => (editing = true) }, { level: 'part' });

	async function write(text: string): Promise<void> {
		const trouble = await desk.writeNote(text);
		if (trouble !== null) toast(trouble);
	}
</script>

<div class="grid min-h-8.5 grid-cols-[auto_minmax(0,1fr)] items-center gap-3 text-line">
	<span>Note <KeyCap of={PASS.note} /></span>
	<NoteField {note} bind:editing onwrite={(text) => void write(text)} />
</div>
