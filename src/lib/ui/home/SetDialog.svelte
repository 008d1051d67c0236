<script lang="ts">
	import { dialog } from '$lib/ui/parts/dialog';
	import Button from '$lib/ui/parts/Button.svelte';
	import { button } from '$lib/ui/parts/button';
	import { invalidateAll } from '$app/navigation';
	import type { Group } from '$lib/state/set-board.svelte';
	import { Refusal, send } from '$lib/state/api';
	import { Dialog } from 'bits-ui';
	import { toast } from 'svelte-sonner';
	import Field from '$lib/ui/parts/Field.svelte';

	/** Names a new set, or changes or deletes one that is there. */
	type Props = {
		/** The set with its tunes; null makes a new one. */
		group: Group<{ id: string; title: string }> | null;
		open: boolean;
		ondelete: (set: { id: string; name: string }) => void;
	};
	let { group, open = $bindable(), ondelete }: Props = $props();
	const set = $derived(group?.set ?? null);
	/** What a field begins with, each time that the dialog opens. */
	const atFirst = (text: string) => (open ? text : '');
	let name = $derived(atFirst(set?.name ?? ''));
	let note = $derived(atFirst(set?.note ?? ''));
	let wrong = $derived(atFirst(''));

	async function save(event: SubmitEvent): Promise<void> {
		event.preventDefault();
		if (name.trim() === '') {
			wrong = 'Give the set a name, such as an evening or a place.';
			return;
		}
		try {
			if (set && group) {
				const tuneIds = group.tunes.map(({ id }) => id);
				const { id, version } = set;
				await send('PUT', `/api/v1/sets/${id}`, { name, note, tuneIds, version });
			} else {
				await send('POST', '/api/v1/sets', { name, note });
			}
			open = false;
			await invalidateAll();
		} catch (error) {
			if (!(error instanceof Refusal)) throw error;
			if (error.status === 409) {
				await invalidateAll();
				toast('Someone changed this set meanwhile; it is shown as it stands now.');
			} else wrong = error.message;
		}
	}

	const look = dialog();
</script>

<Dialog.Root bind:open>
	<Dialog.Portal>
		<Dialog.Overlay class={look.veil()} />
		<Dialog.Content class={look.sheet()}>
			<Dialog.Title class={look.title()} level={2}
				>{set ? 'Change the set' : 'A new set'}</Dialog.Title
			>
			<Dialog.Description class={look.lead()}>
				A set is a list of tunes in playing order. A tune may stand in several.
			</Dialog.Description>
			<form class="grid max-w-120 gap-2" onsubmit={(event) => void save(event)} novalidate>
				<Field label="Name" bind:value={name} {wrong} maxlength={80} required />
				<Field label="Note" bind:value={note} maxlength={2000} />
				<div class="mt-2 flex flex-wrap items-center gap-x-5 gap-y-2">
					<Button type="submit" look="main">{set ? 'Save it' : 'Make the set'}</Button>
					{#if set}
						<Button
							look="quiet"
							onclick={() => {
								open = false;
								ondelete(set);
							}}>Delete the set; its tunes stay</Button
						>
					{/if}
					<Dialog.Close class={button({ look: 'quiet' })}>Leave it</Dialog.Close>
				</div>
			</form>
		</Dialog.Content>
	</Dialog.Portal>
</Dialog.Root>
