<script lang="ts">
	import { goto } from '$app/navigation';
	import { page } from '$app/state';
	import KeyCap from '../KeyCap.svelte';

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
</script>

<search>
	<form
		action="/"
		onsubmit={(event) => {
			event.preventDefault();
			void look(input.value);
		}}
	>
		<label>
			<span class="sr">Find tunes by title, key, chords or words</span>
			<input
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
		<span class="cap"><KeyCap keys="/" /></span>
	</form>
</search>

<style>
	form {
		position: relative;
	}
	input {
		width: 270px;
		max-width: 100%;
		height: 32px;
		padding: 0 36px 0 10px;
		border: 1.5px solid var(--ink);
		background: none;
		font-size: 15px;
	}
	input::placeholder {
		color: var(--second);
		opacity: 1;
	}
	input::-webkit-search-cancel-button {
		display: none;
	}
	.cap {
		position: absolute;
		right: 8px;
		top: 6px;
		pointer-events: none;
	}
</style>
