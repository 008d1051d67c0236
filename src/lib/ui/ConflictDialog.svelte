<script lang="ts">
	import Dialog from '$lib/ui/parts/Dialog.svelte';
	import DialogLeave from '$lib/ui/parts/DialogLeave.svelte';
	import Button from '$lib/ui/parts/Button.svelte';

	type Props = {
		open: boolean;
		/** What was saved elsewhere meanwhile, and what is here. */
		theirs: string;
		mine: string;
		what: string;
		onkeep: () => void;
		ontake: () => void;
	};
	let { open = $bindable(), theirs, mine, what, onkeep, ontake }: Props = $props();
</script>

<Dialog
	bind:open
	title="Someone saved this {what} meanwhile."
	lead="Probably another tab. Both are shown; nothing is overwritten until you choose."
>
	<div class="grid grid-cols-[1fr_1fr] gap-6 @max-[38rem]:grid-cols-[1fr]">
		{#each [['Yours', mine], ['Saved meanwhile', theirs]] as [name, text] (name)}
			<section>
				<h3 class="border-b-2 border-ink pb-1 text-head">{name}</h3>
				<textarea
					class="block max-h-[40vh] w-full resize-none overflow-auto bg-transparent py-2 font-mono text-line leading-normal"
					readonly
					rows="14"
					aria-label={name}
					value={text}></textarea>
			</section>
		{/each}
	</div>
	<div class="mt-4 flex flex-wrap items-center gap-x-4 gap-y-3">
		<Button look="main" onclick={onkeep}>Keep mine</Button>
		<Button onclick={ontake}>Take the saved one</Button>
		<DialogLeave>Decide later</DialogLeave>
	</div>
</Dialog>
