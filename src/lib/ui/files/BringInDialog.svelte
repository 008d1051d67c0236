<script lang="ts">
	import Check from '$lib/ui/parts/Check.svelte';
	import Dialog from '$lib/ui/parts/Dialog.svelte';
	import DialogLeave from '$lib/ui/parts/DialogLeave.svelte';
	import Button from '$lib/ui/parts/Button.svelte';
	import { goto, invalidateAll } from '$app/navigation';
	import { takeBack, type BringIn, type Kept } from '$lib/state/bring-in.svelte';
	import { toast } from 'svelte-sonner';
	import { plural } from '$lib/words/words';

	/** Files as they were understood, before anything is kept. */
	let { files }: { files: BringIn } = $props();

	let main: HTMLElement | null = $state(null);
	// As soon as everything is read, Enter keeps it.
	$effect(() => {
		if (!files.busy && files.ready.length > 0) main?.focus();
	});
	const total = $derived(files.list.length);
	const words = $derived(
		files.busy
			? `${files.read} of ${plural(total, 'file')} read …`
			: files.ready.length === 0
				? 'Nothing here can be kept.'
				: 'Nothing is kept yet. Look at what was understood, and at what was left out.'
	);
	const parts = ({ tunes, routes, motifs }: Kept): string =>
		[
			tunes.length > 0 ? plural(tunes.length, 'tune') : '',
			routes.length > 0 ? plural(routes.length, 'route') : '',
			motifs.length > 0 ? plural(motifs.length, 'motif') : ''
		]
			.filter(Boolean)
			.join(', ');

	async function keep(): Promise<void> {
		const kept = await files.keep();
		const told = parts(kept);
		if (told === '') return;
		await invalidateAll();
		const [tune] = kept.tunes;
		const undo = {
			label: 'Undo',
			onClick: () =>
				void takeBack(kept)
					.then(() => invalidateAll())
					.catch((error: Error) => toast(error.message))
		};
		toast(`In the notebook: ${told}.`, { action: undo });
		if (kept.tunes.length === 1 && tune.id && !files.shown) await goto(`/tunes/${tune.id}/chart`);
	}
</script>

<Dialog
	bind:open={() => files.shown, (shown) => (shown ? null : files.close())}
	title="Files to bring in"
	onopened={(event) => event.preventDefault()}
>
	{#snippet lead()}
		<span role="status">{words}</span>
	{/snippet}
	{#if files.busy}
		<progress
			class="mb-3 block h-1.5 w-full appearance-none border-0 bg-sunk"
			value={files.read}
			max={total}
			aria-label="Files read"
		></progress>
	{/if}
	<ul>
		{#each files.list as entry (entry.id)}
			<li class="border-t border-hair pt-2.5 pb-3 text-line first:border-t-2 first:border-t-ink">
				<div class="flex items-center gap-3 wrap-anywhere">
					{#if entry.state === 'ready'}
						<Check bind:checked={entry.wanted}><b>{entry.file.name}</b></Check>
					{:else}
						<b>{entry.file.name}</b>
					{/if}
					<small class="text-reason whitespace-nowrap text-second">
						{#if entry.state === 'refused'}not kept
						{:else if entry.state === 'ready'}{entry.answer?.files[0]?.kind}
						{:else if entry.state === 'keeping'}is being kept …
						{:else}is being read …{/if}
					</small>
					{#if total > 1 && !files.busy}
						<Button
							look="quiet"
							class="ml-auto min-w-7 justify-center"
							aria-label="Leave {entry.file.name} out"
							onclick={() => files.drop(entry.id)}>✕</Button
						>
					{/if}
				</div>
				{#if entry.message}<p class="font-semibold">{entry.message}</p>{/if}
				{#if entry.answer}
					{@const [told] = entry.answer.files}
					<p class="font-display text-head font-extrabold">
						{[
							...entry.answer.tunes.map(({ title }) => title),
							...entry.answer.motifs.map(({ name }) => name)
						].join(', ')}
					</p>
					{#each told.understood as sentence (sentence)}<p>{sentence}</p>{/each}
					{#each told.leftOut as sentence (sentence)}
						<p class="text-reason text-second"><span aria-hidden="true">–</span> {sentence}</p>
					{/each}
					{#if told.leftOut.length === 0}<p class="text-reason text-second">
							Nothing was left out.
						</p>{/if}
				{/if}
			</li>
		{/each}
	</ul>
	<div class="flex items-center gap-4 border-t-2 border-ink pt-3">
		<Button
			bind:ref={main}
			look="main"
			disabled={files.busy || files.ready.length === 0}
			onclick={() => void keep()}
		>
			Keep {files.ready.length === 1 ? 'it' : plural(files.ready.length, 'file')}
		</Button>
		<DialogLeave>Leave {total === 1 ? 'it' : 'them'}</DialogLeave>
	</div>
</Dialog>

<style>
	/* Parts of a control that only the browser can name. */
	progress::-webkit-progress-bar {
		background: var(--sunk);
	}
	progress::-webkit-progress-value {
		background: var(--ink);
	}
	progress::-moz-progress-bar {
		background: var(--ink);
	}
</style>
