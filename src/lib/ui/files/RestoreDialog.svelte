<script lang="ts">
	import Table from '$lib/ui/parts/Table.svelte';
	import Dialog from '$lib/ui/parts/Dialog.svelte';
	import DialogLeave from '$lib/ui/parts/DialogLeave.svelte';
	import Button from '$lib/ui/parts/Button.svelte';
	import { invalidateAll } from '$app/navigation';
	import type { RestoreAnswer } from '$lib/api/backup-schema';
	import { RESTORE_KINDS } from '$lib/api/restore-kinds';
	import { sendBackup, type BringIn } from '$lib/state/bring-in.svelte';
	import { toast } from 'svelte-sonner';
	import Choice from '$lib/ui/parts/Choice.svelte';

	/** A backup: what restoring it would do, told before it is done. */
	let { files }: { files: BringIn } = $props();

	const MODES = [
		{ value: 'merge', name: 'Merge' },
		{ value: 'replace', name: 'Replace' }
	] as const;
	let mode: 'merge' | 'replace' = $state('merge');
	let shown: RestoreAnswer | null = $state(null);
	let trouble = $state('');
	let busy = $state(false);

	$effect(() => {
		const { backup } = files;
		const how = mode;
		shown = null;
		trouble = '';
		if (!backup) return;
		let gone = false;
		sendBackup(backup, how, true)
			.then((answer) => {
				if (!gone) shown = answer;
			})
			.catch((error: Error) => {
				if (!gone) trouble = error.message;
			});
		return () => {
			gone = true;
		};
	});
	const gone = $derived(
		shown === null ? 0 : RESTORE_KINDS.reduce((sum, kind) => sum + (shown?.[kind].removed ?? 0), 0)
	);

	async function run(): Promise<void> {
		const { backup } = files;
		if (!backup) return;
		busy = true;
		try {
			await sendBackup(backup, mode, false);
			files.backup = null;
			await invalidateAll();
			toast('The notebook is restored.');
		} catch (error) {
			trouble = error instanceof Error ? error.message : 'It could not be restored.';
		} finally {
			busy = false;
		}
	}
</script>

<Dialog
	bind:open={() => files.backup !== null, (on) => (on ? null : (files.backup = null))}
	title="Restore a notebook"
>
	{#snippet lead()}
		{files.backup?.name}. Nothing is changed until you say so.
	{/snippet}
	<Choice label="How" options={MODES} value={mode} onchange={(to) => (mode = to)} />
	<p class="my-3 max-w-[60ch]">
		{#if mode === 'merge'}
			What is missing is added; what was changed later in the file is taken from there; the rest of
			your notebook stays.
		{:else}
			Your notebook becomes what the file holds. What is in it alone is gone: back it up first.
		{/if}
	</p>
	{#if trouble}
		<p class="font-semibold wrap-anywhere" role="alert">{trouble}</p>
	{:else if shown}
		{@const answer = shown}
		<div class="overflow-x-auto">
			<Table>
				<thead>
					<tr
						><th>in the file</th><th>new</th><th>newer in the file</th><th>stay</th><th>removed</th
						></tr
					>
				</thead>
				<tbody>
					{#each RESTORE_KINDS as kind (kind)}
						<tr>
							<th scope="row">{kind}</th>
							<td>{answer[kind].added}</td>
							<td>{answer[kind].changed}</td>
							<td>{answer[kind].kept}</td>
							<td>{answer[kind].removed}</td>
						</tr>
					{/each}
				</tbody>
			</Table>
		</div>
	{:else}
		<p role="status">The file is being read …</p>
	{/if}
	<div class="mt-3 flex flex-wrap items-center gap-x-4 gap-y-2 border-t-2 border-ink pt-3">
		<Button look="main" disabled={busy || !shown || trouble !== ''} onclick={() => void run()}>
			{#if busy}Restoring …
			{:else if gone > 0}Replace, and remove {gone}
			{:else}{mode === 'merge' ? 'Merge' : 'Replace'}{/if}
		</Button>
		<Button look="quiet" href="/backup.json" download>Back up what is here first</Button>
		<DialogLeave>Leave it</DialogLeave>
	</div>
</Dialog>
