<script lang="ts">
	import { NOTEBOOK } from '$lib/words/keys/notebook';
	import { field } from '$lib/ui/parts/field';
	import { goto } from '$app/navigation';
	import { page } from '$app/state';
	import { LIST, LIST_LINE } from '$lib/ui/parts/option';
	import { Combobox } from 'bits-ui';
	import KeyCap from '$lib/ui/parts/KeyCap.svelte';

	/** Finds tunes while it is typed in; what is looked for stands in the address, and Enter opens the first one. */
	type Props = {
		query: string;
		/** The tunes that have it, and where; none without a search. */
		found: readonly { readonly id: string; readonly title: string; readonly where: string }[];
	};
	let { query, found }: Props = $props();
	/** Tunes that are offered under the field; all of them stand in the notebook below it. */
	const OFFERED = 6;
	let text = $derived(query);
	let typing = $state(false);
	/** What is offered belongs to what is typed. */
	const offered = $derived(text.trim() === query ? found.slice(0, OFFERED) : []);
	/** Typing stops so long before the notebook is asked. */
	const PAUSE_MS = 150;
	let input: HTMLElement | null = $state(null);
	let timer: ReturnType<typeof setTimeout> | undefined;

	export function focus(): void {
		input?.focus();
		(input as HTMLInputElement | null)?.select();
	}
	function look(text: string): Promise<void> {
		clearTimeout(timer);
		const to = new URL(page.url);
		if (text.trim() === '') to.searchParams.delete('q');
		else to.searchParams.set('q', text.trim());
		return goto(to, { replaceState: true, keepFocus: true, noScroll: true });
	}
	function type(now: string): void {
		text = now;
		typing = true;
		clearTimeout(timer);
		timer = setTimeout(() => void look(now), PAUSE_MS);
	}
	function press(event: KeyboardEvent): void {
		if (event.key !== 'Escape') return;
		event.preventDefault();
		text = '';
		typing = false;
		void look('');
	}

	const id = $props.id();
	const fields = field();
</script>

<search class="max-tablet:min-w-30 max-tablet:flex-1">
	<form
		class="relative"
		action="/"
		onsubmit={(event) => {
			event.preventDefault();
			void look(text);
		}}
	>
		<label class={fields.label()} for="{id}-find">
			<span class="sr-only">Find tunes by title, key, chords or words</span>
		</label>
		<Combobox.Root
			type="single"
			bind:value={() => '', (tune) => tune && void goto(`/tunes/${tune}/chart`)}
			inputValue={text}
			bind:open={() => typing && offered.length > 0, (on) => (typing = on && typing)}
		>
			<Combobox.Input
				bind:ref={input}
				id="{id}-find"
				class="h-8 w-67.5 max-w-full border-[1.5px] border-ink bg-transparent pr-9 pl-2.5 text-line placeholder:text-second placeholder:opacity-100 max-tablet:w-full [&::-webkit-search-cancel-button]:hidden"
				type="search"
				name="q"
				maxlength={200}
				placeholder="Find: title, key, chords, words"
				autocomplete="off"
				spellcheck={false}
				oninput={(event) => type(event.currentTarget.value)}
				onkeydown={press}
			/>
			<Combobox.Portal disabled>
				<Combobox.Content
					class="{LIST} max-w-[calc(100vw_-_24px)]"
					sideOffset={2}
					align="start"
					collisionPadding={8}
					aria-label="Tunes that have it"
				>
					{#each offered as { id: tune, title, where } (tune)}
						<Combobox.Item value={tune} label={title} class={LIST_LINE}>
							<b>{title}</b>
							{#if where}<small class="block max-w-[34ch] truncate text-reason">{where}</small>{/if}
						</Combobox.Item>
					{/each}
				</Combobox.Content>
			</Combobox.Portal>
		</Combobox.Root>
		<span class="pointer-events-none absolute top-1.5 right-2"><KeyCap of={NOTEBOOK.find} /></span>
	</form>
</search>
