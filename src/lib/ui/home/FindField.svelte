<script lang="ts">
	import { NOTEBOOK } from '$lib/words/keys/notebook';
	import { field } from '$lib/ui/parts/field';
	import { goto } from '$app/navigation';
	import { page } from '$app/state';
	import KeyCap from '$lib/ui/parts/KeyCap.svelte';

	/** Finds tunes while it is typed in; what is looked for stands in the address. */
	let { query }: { query: string } = $props();
	/** Typing stops so long before the notebook is asked. */
	const PAUSE_MS = 150;
	let input: HTMLInputElement;
	let timer: ReturnType<typeof setTimeout> | undefined;

	export function focus(): void {
		input.focus();
		input.select();
	}
	function look(text: string): Promise<void> {
		clearTimeout(timer);
		const to = new URL(page.url);
		if (text.trim() === '') to.searchParams.delete('q');
		else to.searchParams.set('q', text.trim());
		return goto(to, { replaceState: true, keepFocus: true, noScroll: true });
	}
	function type(): void {
		clearTimeout(timer);
		timer = setTimeout(() => void look(input.value), PAUSE_MS);
	}
	function press(event: KeyboardEvent): void {
		if (event.key !== 'Escape') return;
		event.preventDefault();
		input.value = '';
		void look('');
	}

	const fields = field();
</script>

<search>
	<form
		class="relative"
		action="/"
		onsubmit={(event) => {
			event.preventDefault();
			void look(input.value);
		}}
	>
		<label class={fields.label()}>
			<span class="sr-only">Find tunes by title, key, chords or words</span>
			<input
				class="h-8 w-67.5 max-w-full border-[1.5px] border-ink bg-transparent pr-9 pl-2.5 text-line placeholder:text-second placeholder:opacity-100"
				bind:this={input}
				type="search"
				name="q"
				value={query}
				maxlength="200"
				placeholder="Find: title, key, chords, words"
				autocomplete="off"
				spellcheck="false"
				oninput={type}
				onkeydown={press}
			/>
		</label>
		<span class="pointer-events-none absolute top-1.5 right-2"><KeyCap of={NOTEBOOK.find} /></span>
	</form>
</search>

<style>
	/* Parts of a control that only the browser can name. */
	input::-webkit-search-cancel-button {
		display: none;
	}
</style>
