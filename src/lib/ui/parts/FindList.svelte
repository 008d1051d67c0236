<script lang="ts">
	import { Combobox } from 'bits-ui';
	import { onMount, tick } from 'svelte';
	import { LIST, LIST_LINE } from './option';
	import { selectGroups, type SelectGroup, type SelectOption } from './select';

	/** A list in which one types to find; it comes opened, with the focus in its line of text, and goes when it is left. */
	type Props = {
		id: string;
		groups: readonly SelectGroup[];
		value: string;
		/** What stands in the line before anything is typed. */
		shown: string;
		/** What was typed to open it. */
		typed: string;
		class: string;
		/** The lines for what is typed, in place of those whose words begin with it. */
		suggests: ((typed: string) => readonly SelectOption[]) | undefined;
		onchoose: (value: string) => void;
		/** It was left; `back` when the focus should return. */
		onclose: (back: boolean) => void;
	};
	let {
		id,
		groups,
		value,
		shown,
		typed,
		class: looks,
		suggests,
		onchoose,
		onclose
	}: Props = $props();
	// It is made for one look into the list.
	// svelte-ignore state_referenced_locally
	let query = $state(typed);
	// svelte-ignore state_referenced_locally
	let text = $state(typed || shown);
	let open = $state(false);
	let field: HTMLElement | null = $state(null);
	onMount(() => {
		const line = field as HTMLInputElement | null;
		line?.focus();
		if (typed === '') line?.select();
		open = true;
		// What opened it is looked for as if it were typed now.
		if (typed !== '') void tick().then(() => line?.dispatchEvent(new InputEvent('input')));
	});
	const plain = (words: string) =>
		words.toLowerCase().replaceAll('♯', '#').replaceAll('♭', 'b').replace(/\s+/g, ' ').trim();
	/** Lines in which every word that was typed begins a word. */
	const found = $derived.by(() => {
		const words = plain(query).split(' ').filter(Boolean);
		if (words.length > 0 && suggests) return selectGroups(suggests(query.trim()));
		const fits = (name: string) =>
			words.every((word) => ` ${plain(name).replace(/[(,:-]/g, ' ')}`.includes(` ${word}`));
		return groups
			.map((group) => ({ ...group, options: group.options.filter(({ name }) => fits(name)) }))
			.filter(({ options }) => options.length > 0);
	});
</script>

<Combobox.Root
	type="single"
	bind:value={() => value, (next) => next && next !== value && onchoose(next)}
	inputValue={text}
	allowDeselect={false}
	bind:open
	onOpenChange={(now) => {
		if (!now) onclose(document.activeElement === field || document.activeElement === document.body);
	}}
>
	<Combobox.Input
		bind:ref={field}
		class={looks}
		aria-labelledby="{id}-label"
		autocomplete="off"
		spellcheck={false}
		oninput={(event) => {
			text = query = event.currentTarget.value;
		}}
	/>
	<Combobox.Portal>
		<Combobox.Content class={LIST} sideOffset={2} collisionPadding={8} aria-labelledby="{id}-label">
			<Combobox.Viewport>
				{#each found as group (group.name)}
					<Combobox.Group>
						{#if group.name !== ''}
							<Combobox.GroupHeading class="px-3 pt-1.5 text-reason text-second"
								>{group.name}</Combobox.GroupHeading
							>
						{/if}
						{#each group.options as option (option.value)}
							<Combobox.Item value={option.value} label={option.name} class={LIST_LINE}
								>{option.name}</Combobox.Item
							>
						{/each}
					</Combobox.Group>
				{:else}
					<p class="px-3 py-1 text-second">Nothing is called “{query.trim()}”.</p>
				{/each}
			</Combobox.Viewport>
		</Combobox.Content>
	</Combobox.Portal>
</Combobox.Root>
