<script lang="ts">
	import { invalidateAll } from '$app/navigation';
	import { setNames } from '$lib/api/own-schema';
	import { Refusal, send } from '$lib/state/api';
	import type { Group } from '$lib/state/set-board.svelte';
	import { typedForm } from '$lib/state/typed-form';
	import Button from '$lib/ui/parts/Button.svelte';
	import Dialog from '$lib/ui/parts/Dialog.svelte';
	import DialogLeave from '$lib/ui/parts/DialogLeave.svelte';
	import Field from '$lib/ui/parts/Field.svelte';
	import { untrack } from 'svelte';
	import { toast } from 'svelte-sonner';

	/** Names a new set, or changes or deletes one that is there. */
	type Props = {
		/** The set with its tunes; null makes a new one. */
		group: Group<{ id: string; title: string }> | null;
		onclose: () => void;
		ondelete: (set: { id: string; name: string }) => void;
	};
	let { group, onclose, ondelete }: Props = $props();
	const set = untrack(() => group?.set ?? null);

	const { form, errors, enhance, submitting } = typedForm(
		setNames,
		{ name: set?.name ?? '', note: set?.note ?? '' },
		async (typed) => {
			try {
				if (set && group) {
					const tuneIds = group.tunes.map(({ id }) => id);
					const { id, version } = set;
					await send('PUT', `/api/v1/sets/${id}`, { ...typed, tuneIds, version });
				} else {
					await send('POST', '/api/v1/sets', typed);
				}
				onclose();
				await invalidateAll();
			} catch (error) {
				if (!(error instanceof Refusal)) throw error;
				if (error.status !== 409) return { field: 'name', message: error.message };
				await invalidateAll();
				toast('Someone changed this set meanwhile; it is shown as it stands now.');
			}
		}
	);
</script>

<Dialog
	open
	{onclose}
	title={set ? 'Change the set' : 'A new set'}
	lead="A set is a list of tunes in playing order. A tune may stand in several."
>
	<form class="grid max-w-120 gap-2" method="POST" use:enhance novalidate>
		<Field
			label="Name"
			name="name"
			bind:value={$form.name}
			wrong={$errors.name}
			maxlength={80}
			required
		/>
		<Field label="Note" name="note" bind:value={$form.note} wrong={$errors.note} maxlength={2000} />
		<div class="mt-2 flex flex-wrap items-center gap-x-5 gap-y-2">
			<Button type="submit" look="main" disabled={$submitting}
				>{set ? 'Save it' : 'Make the set'}</Button
			>
			{#if set}
				<Button
					look="quiet"
					onclick={() => {
						onclose();
						ondelete(set);
					}}>Delete the set; its tunes stay</Button
				>
			{/if}
			<DialogLeave>Leave it</DialogLeave>
		</div>
	</form>
</Dialog>
